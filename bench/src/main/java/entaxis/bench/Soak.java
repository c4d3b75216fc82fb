package entaxis.bench;

import java.io.IOException;
import java.net.http.HttpClient;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.atomic.AtomicLong;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import javax.imageio.ImageIO;

/**
 * Ten people at work for a long time: edits of every kind, undo, redo, all desks, trials, rehearsals, pictures, notes,
 * versions. Prints each minute what the server takes,
 * and at the end what went wrong. Arguments: address, process, data folder, minutes, and the longest pause between two
 * requests of one person in milliseconds.
 */
public final class Soak {
    private static final Pattern DESIGN = Pattern.compile("href=\"/designs/(d[0-9a-z]{10})\"");
    private static final Pattern ENTITY = Pattern.compile("data-select=\"(e[0-9a-z]{1,24})\"");
    private static final Pattern NOTE = Pattern.compile("\"(n[0-9a-z]{10})\"");
    private static final int PEOPLE = 10;

    private final String base;
    private final HttpClient client = HttpClient.newHttpClient();
    private final ConcurrentLinkedQueue<String> wrong = new ConcurrentLinkedQueue<>();
    private final ConcurrentLinkedQueue<Double> edits = new ConcurrentLinkedQueue<>();
    private final AtomicLong requests = new AtomicLong();
    private final AtomicLong refused = new AtomicLong();
    private volatile boolean over;

    private Soak(String base) {
        this.base = base;
    }

    public static void main(String[] arguments) throws IOException, InterruptedException {
        new Soak(arguments[0]).run(Long.parseLong(arguments[1]), Path.of(arguments[2]), Integer.parseInt(arguments[3]),
                Integer.parseInt(arguments[4]));
    }

    private void run(long pid, Path data, int minutes, int pause) throws IOException, InterruptedException {
        Visitor first = new Visitor(client, base);
        Matcher found = DESIGN.matcher(first.page("/").body());
        List<String> designs = new ArrayList<>();
        while (found.find()) {
            if (!designs.contains(found.group(1))) {
                designs.add(found.group(1));
            }
        }
        List<Thread> people = new ArrayList<>();
        for (int i = 0; i < PEOPLE; i++) {
            Random random = new Random(i);
            String design = designs.get(i % designs.size());
            people.add(Thread.ofVirtual().start(() -> person(design, random, pause)));
        }
        System.out.println(
                "| minute | requests | memory MB | threads | handles | processes | store kB | edit p50 ms | p95 ms | "
                        + "refused | wrong |");
        System.out.println("|---|---|---|---|---|---|---|---|---|---|---|");
        for (int minute = 0; minute <= minutes; minute++) {
            report(minute, pid, data);
            Thread.sleep(minute == minutes ? 0 : 60_000);
        }
        over = true;
        for (Thread person : people) {
            person.join(Duration.ofSeconds(70));
        }
        System.out.println(wrong.isEmpty() ? "nothing went wrong" : wrong.size() + " things went wrong");
        wrong.stream().limit(20).forEach(System.out::println);
        System.exit(wrong.isEmpty() ? 0 : 1);
    }

    private void report(int minute, long pid, Path data) throws IOException {
        double[] times = edits.stream().mapToDouble(Double::doubleValue).sorted().toArray();
        edits.clear();
        String status = Files.readString(Path.of("/proc/" + pid + "/status"));
        long handles;
        try (Stream<Path> open = Files.list(Path.of("/proc/" + pid + "/fd"))) {
            handles = open.count();
        }
        long processes = ProcessHandle.of(pid).map(process -> process.descendants().count()).orElse(0L);
        System.out.println(String.format(Locale.ROOT, "| %d | %d | %d | %d | %d | %d | %d | %.1f | %.1f | %d | %d |",
                minute, requests.get(), number(status, "VmRSS") / 1024, number(status, "Threads"), handles, processes,
                Files.size(data.resolve("entaxis.mv.db")) / 1024, at(times, 50), at(times, 95), refused.get(),
                wrong.size()));
    }

    private static long number(String status, String name) {
        Matcher found = Pattern.compile(name + ":\\s+(\\d+)").matcher(status);
        return found.find() ? Long.parseLong(found.group(1)) : -1;
    }

    private static double at(double[] sorted, int percent) {
        return sorted.length == 0 ? 0 : sorted[Math.min(sorted.length - 1, sorted.length * percent / 100)];
    }

    private void person(String design, Random random, int pause) {
        Visitor visitor = new Visitor(client, base);
        String place = "/designs/" + design;
        while (!over) {
            try {
                HttpResponse<String> page = checked(visitor.page(place), place);
                List<String> entities = new ArrayList<>();
                Matcher found = ENTITY.matcher(page.body());
                while (found.find()) {
                    entities.add(found.group(1));
                }
                for (int i = 0; i < 12 && !over; i++) {
                    Thread.sleep(random.nextInt(pause + 1));
                    act(visitor, place, entities.get(random.nextInt(entities.size())), random);
                }
            } catch (IOException e) {
                wrong.add(e.toString());
            } catch (InterruptedException e) {
                return;
            }
        }
    }

    private void act(Visitor visitor, String place, String entity, Random random)
            throws IOException, InterruptedException {
        switch (random.nextInt(24)) {
            case 0 -> edit(visitor, place, "kind", "entity.add", "value", "Soaked " + random.nextInt(40), "x",
                    "" + random.nextInt(3000), "y", "" + random.nextInt(2000));
            case 1, 2 -> edit(visitor, place, "kind", "entity.meaning", "entity", entity, "value",
                    "What it means, " + random.nextLong());
            case 3 -> edit(visitor, place, "kind", "attribute.add", "owner", entity, "value",
                    "soaked_" + random.nextInt(6) + " varchar(20) default 'x'");
            case 4, 5, 6 -> edit(visitor, place, "kind", "cards.place", "value",
                    entity + ":" + random.nextInt(3000) + "," + random.nextInt(2000));
            case 7 -> edit(visitor, place, "kind", "note.add", "x", "" + random.nextInt(3000), "y",
                    "" + random.nextInt(2000), "value", "A note. ".repeat(random.nextInt(200) + 1));
            case 8 -> {
                Matcher note = NOTE.matcher(checked(visitor.get(place), place).body());
                if (note.find()) {
                    edit(visitor, place, "kind", random.nextBoolean() ? "note.remove" : "note.text", "note",
                            note.group(1), "value", "Changed. ".repeat(random.nextInt(200) + 1));
                }
            }
            case 9, 10, 11, 12 -> checked(visitor.post(place + "/undo"), "undo");
            case 13, 14 -> checked(visitor.post(place + "/redo"), "redo");
            case 15 -> edit(visitor, place, "kind", "sheet.notation", "value",
                    random.nextBoolean() ? "IDEF1X" : "CROWS_FOOT");
            case 16 -> checked(visitor.post(place + "/trial/run"), "trial");
            case 17 -> checked(
                    visitor.post(place + "/trial/query", "question",
                            random.nextBoolean() ? "select 1" : "select count(*) from system_range(1, 100000)"),
                    "question");
            case 18 ->
                    checked(visitor.post(place + "/reconcile/rehearse", "side", "database:Fenmoor site"), "rehearsal");
            case 19 -> checked(visitor.upload(place + "/pictures", "p.png", picture(random), "x", "10", "y", "10",
                    "seen", "" + visitor.revision()), "picture");
            case 20 ->
                    checked(visitor.post(place + "/versions", "version", "v" + random.nextInt(1_000_000)), "version");
            case 21 -> checked(visitor.post("/designs/" + place.substring(9) + "/arrange"), "arrange");
            default -> {
                String[] desks = {"", "?lens=tables", "/normalize", "/sentences", "/sql", "/trial", "/reconcile",
                        "/picture.svg", "/sheet.svg", "/script.sql?engine=MARIADB"};
                String desk = desks[random.nextInt(desks.length)];
                checked(visitor.get(place + desk), desk);
            }
        }
    }

    private void edit(Visitor visitor, String place, String... fields) throws IOException, InterruptedException {
        long start = System.nanoTime();
        checked(visitor.post(place + "/edits", fields), fields[1]);
        edits.add((System.nanoTime() - start) / 1e6);
    }

    private HttpResponse<String> checked(HttpResponse<String> answer, String what) {
        requests.incrementAndGet();
        if (answer.statusCode() == 422) {
            refused.incrementAndGet();
        } else if (answer.statusCode() >= 400) {
            wrong.add(what + " " + answer.statusCode() + " "
                    + answer.body().replaceAll("\\s+", " ").substring(0, Math.min(300, answer.body().length() / 2)));
        }
        return answer;
    }

    private static byte[] picture(Random random) throws IOException {
        BufferedImage image = new BufferedImage(8, 8, BufferedImage.TYPE_INT_RGB);
        image.setRGB(random.nextInt(8), random.nextInt(8), random.nextInt(4));
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "png", out);
        return out.toByteArray();
    }
}
