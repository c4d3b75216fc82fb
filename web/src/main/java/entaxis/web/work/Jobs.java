package entaxis.web.work;

import entaxis.web.store.NewId;
import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.springframework.stereotype.Component;

/** The jobs of this server: the last few, so that pages can ask after them. */
@Component
public class Jobs {
    /** How long a page waits for a job before it shows how far it is. */
    private static final Duration AT_ONCE = Duration.ofMillis(600);
    private static final int KEPT = 64;
    private final Map<String, Job> jobs = new LinkedHashMap<>();

    /**
     * Starts work and waits a moment for it.
     *
     * @param title what it is, for people
     * @param work  what is done, given the token of the job
     */
    public Job start(String title, Function<String, Job.Work> work) {
        String token = NewId.of('x');
        Job job = Job.start(token, title, work.apply(token));
        synchronized (jobs) {
            jobs.put(token, job);
            if (jobs.size() > KEPT) {
                jobs.remove(jobs.keySet().iterator().next()).stop();
            }
        }
        job.within(AT_ONCE);
        return job;
    }

    /** The job of a token. */
    public Optional<Job> find(String token) {
        synchronized (jobs) {
            return Optional.ofNullable(jobs.get(token));
        }
    }

    /** Forgets a job; whether it was one that had ended well. */
    public boolean take(String token) {
        synchronized (jobs) {
            return Optional.ofNullable(jobs.remove(token)).flatMap(Job::page).isPresent();
        }
    }
}
