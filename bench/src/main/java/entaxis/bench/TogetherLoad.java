package entaxis.bench;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * Twenty windows on one design: each edits every second or so, hears of the others' edits through its stream of
 * events, and asks for what changed, as the page does.
 * Prints how long edits took. Arguments: address, people, seconds.
 */
public final class TogetherLoad {
    private static final Pattern DESIGN = Pattern.compile("href=\"/designs/(d[0-9a-z]{10})\"");
    private static final Pattern ENTITY = Pattern.compile("data-select=\"(e[0-9a-z]{1,24})\"");
    private static final int PAUSE = 2_000;
    private static final int WAIT_FOR_MORE = 120;

    private final HttpClient client = HttpClient.newHttpClient();
    private final String base;
    private final ConcurrentLinkedQueue<Double> edits = new ConcurrentLinkedQueue<>();
    private final ConcurrentLinkedQueue<Double> updates = new ConcurrentLinkedQueue<>();
    private final AtomicInteger wrong = new AtomicInteger();
    private volatile boolean over;

    private TogetherLoad(String base) {
        this.base = base;
    }

    public static void main(String[] arguments) throws IOException, InterruptedException {
        new TogetherLoad(arguments[0]).run(Integer.parseInt(arguments[1]), Integer.parseInt(arguments[2]));
    }

    private void run(int people, int seconds) throws IOException, InterruptedException {
        Matcher found = DESIGN.matcher(new Visitor(client, base).page("/").body());
        found.find();
        String place = "/designs/" + found.group(1);
        List<Thread> all = new ArrayList<>();
        for (int i = 0; i < people; i++) {
            int seed = i;
            all.add(Thread.ofVirtual().start(() -> person(place, new Random(seed))));
        }
        Thread.sleep(5_000);
        edits.clear();
        updates.clear();
        Thread.sleep(seconds * 1000L);
        over = true;
        double[] times = edits.stream().mapToDouble(Double::doubleValue).sorted().toArray();
        double[] heard = updates.stream().mapToDouble(Double::doubleValue).sorted().toArray();
        System.out.println(String.format(Locale.ROOT,
                "%d people, %d s: %d edits p50 %.0f ms, p95 %.0f ms, max %.0f ms; %d updates p50 %.0f ms, p95 %.0f ms; "
                        + "%d went wrong",
                people, seconds, times.length,
                times[times.length / 2], times[times.length * 95 / 100], times[times.length - 1], heard.length,
                heard[heard.length / 2], heard[heard.length * 95 / 100], wrong.get()));
        System.exit(0);
    }

    private void person(String place, Random random) {
        try {
            Visitor visitor = new Visitor(client, base);
            List<String> entities = new ArrayList<>();
            Matcher found = ENTITY.matcher(visitor.page(place).body());
            while (found.find()) {
                entities.add(found.group(1));
            }
            AtomicBoolean news = new AtomicBoolean();
            Thread.ofVirtual().start(() -> listen(place, news));
            long next = System.nanoTime() + random.nextInt(PAUSE) * 1_000_000L;
            while (!over) {
                Thread.sleep(WAIT_FOR_MORE);
                if (news.getAndSet(false)) {
                    timed(updates, () -> visitor.post(place + "/since"));
                }
                if (System.nanoTime() > next) {
                    String entity = entities.get(random.nextInt(entities.size()));
                    timed(edits,
                            () -> random.nextInt(3) == 0
                                    ? visitor.post(place + "/edits", "kind", "entity.meaning", "entity", entity,
                                            "value", "Meaning " + random.nextInt())
                                    : visitor.post(place + "/edits", "kind", "cards.place", "value",
                                            entity + ":" + random.nextInt(3000) + "," + random.nextInt(2000)));
                    next = System.nanoTime() + random.nextInt(PAUSE) * 1_000_000L;
                }
            }
        } catch (IOException | InterruptedException e) {
            wrong.incrementAndGet();
        }
    }

    private interface Request {
        HttpResponse<String> send() throws IOException, InterruptedException;
    }

    private void timed(ConcurrentLinkedQueue<Double> times, Request request) throws IOException, InterruptedException {
        long start = System.nanoTime();
        int status = request.send().statusCode();
        times.add((System.nanoTime() - start) / 1e6);
        if (status != 200 && status != 422) {
            wrong.incrementAndGet();
        }
    }

    private void listen(String place, AtomicBoolean news) {
        try {
            HttpResponse<Stream<String>> events = client
                    .send(HttpRequest.newBuilder(URI.create(base + place + "/events")).build(), BodyHandlers.ofLines());
            events.body().filter(line -> line.startsWith("data:")).forEach(line -> news.set(true));
        } catch (IOException | InterruptedException | RuntimeException ended) {
            if (!over) {
                wrong.incrementAndGet();
            }
        }
    }
}
