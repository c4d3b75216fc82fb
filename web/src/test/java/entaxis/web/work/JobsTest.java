package entaxis.web.work;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import org.junit.jupiter.api.Test;

class JobsTest {
    private static final Duration LONG = Duration.ofSeconds(20);
    private final Jobs jobs = new Jobs();

    @Test
    void shortWorkHasEndedWhenItIsGivenBack() {
        Job job = jobs.start("Counting", token -> own -> "/counted/" + token);
        assertThat(job.page()).contains("/counted/" + job.token());
        assertThat(job.fault()).isEmpty();
        assertThat(jobs.find(job.token())).contains(job);
        assertThat(jobs.take(job.token())).as("it ended well").isTrue();
        assertThat(jobs.take(job.token())).as("it is forgotten").isFalse();
    }

    @Test
    void longWorkTellsHowFarItIsAndIsAskedToStop() {
        CountDownLatch told = new CountDownLatch(1);
        Job job = jobs.start("Counting", token -> own -> {
            own.tell("half of it", 1.5);
            told.countDown();
            while (!own.stopped()) {
                Thread.onSpinWait();
            }
            throw new Job.Failed("It was stopped.");
        });
        assertThat(told.getCount()).isZero();
        assertThat(job.step().words()).isEqualTo("half of it");
        assertThat(job.step().part()).as("never more than the whole").contains(1.0);
        assertThat(job.page()).isEmpty();
        job.stop();
        assertThat(job.within(LONG)).isTrue();
        assertThat(job.fault()).contains("It was stopped.");
        assertThat(jobs.take(job.token())).as("it did not end well").isFalse();
    }

    @Test
    void whatBreaksIsToldWithoutItsInnards() {
        Job job = jobs.start("Counting", token -> own -> {
            throw new IllegalStateException("secret");
        });
        assertThat(job.within(LONG)).isTrue();
        assertThat(job.fault()).hasValueSatisfying(
                words -> assertThat(words).contains("nothing was changed").doesNotContain("secret"));
    }

    @Test
    void onlyTheLastFewAreKeptAndOlderOnesAreStopped() {
        List<Job> all = new ArrayList<>();
        Job first = jobs.start("Waiting", token -> own -> {
            while (!own.stopped()) {
                Thread.onSpinWait();
            }
            return "/done";
        });
        for (int i = 0; i < 64; i++) {
            all.add(jobs.start("Counting", token -> own -> "/counted"));
        }
        assertThat(jobs.find(first.token())).isEmpty();
        assertThat(first.within(LONG)).isTrue();
        assertThat(jobs.find(all.getLast().token())).isPresent();
    }
}
