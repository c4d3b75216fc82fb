package entaxis.bench;

import java.io.IOException;
import java.net.http.HttpClient;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Many small edits one after the other, and how large the file of the store gets. Arguments: address, data folder,
 * edits.
 */
public final class Swelling {
    private static final Pattern DESIGN = Pattern.compile("href=\"/designs/(d[0-9a-z]{10})\"");
    private static final Pattern ENTITY = Pattern.compile("data-select=\"(e[0-9a-z]{1,24})\"");
    private static final int PROGRESS_INTERVAL = 2_000;

    private Swelling() { }

    public static void main(String[] arguments) throws IOException, InterruptedException {
        Visitor visitor = new Visitor(HttpClient.newHttpClient(), arguments[0]);
        Path file = Path.of(arguments[1], "entaxis.mv.db");
        Matcher found = DESIGN.matcher(visitor.page("/").body());
        found.find();
        String place = "/designs/" + found.group(1);
        List<String> entities = new ArrayList<>();
        Matcher each = ENTITY.matcher(visitor.page(place).body());
        while (each.find()) {
            entities.add(each.group(1));
        }
        Random random = new Random(1);
        int edits = Integer.parseInt(arguments[2]);
        double[] times = new double[edits];
        long largest = 0;
        for (int i = 0; i < edits; i++) {
            String entity = entities.get(random.nextInt(entities.size()));
            long start = System.nanoTime();
            int status = (i % 3 == 0
                    ? visitor.post(place + "/edits", "kind", "entity.meaning", "entity", entity, "value",
                            "Meaning " + i)
                    : visitor.post(place + "/edits", "kind", "cards.place", "value",
                            entity + ":" + random.nextInt(3000) + "," + random.nextInt(2000)))
                    .statusCode();
            times[i] = (System.nanoTime() - start) / 1e6;
            if (status != 200) {
                throw new IllegalStateException("edit " + i + ": " + status);
            }
            largest = Math.max(largest, Files.size(file));
            if (i % PROGRESS_INTERVAL == PROGRESS_INTERVAL - 1) {
                System.out.println(i + 1 + " edits: " + Files.size(file) / 1024 + " kB");
            }
        }
        Arrays.sort(times);
        System.out.println(String.format(Locale.ROOT,
                "%d edits: p50 %.1f ms, p95 %.1f ms; the file was %d kB at most and is %d kB", edits, times[edits / 2],
                times[edits * 95 / 100],
                largest / 1024, Files.size(file) / 1024));
    }
}
