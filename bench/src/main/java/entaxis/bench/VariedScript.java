package entaxis.bench;

import java.util.List;
import java.util.Random;

/**
 * A generated script whose columns have names of their own and nearly as many types and defaults: the opposite of a
 * schema that says the same often.
 */
final class VariedScript {
    private static final List<String> WORDS = List.of("lot", "seed", "batch", "taxon", "country", "site", "store",
            "shelf", "jar", "sample", "test", "moist", "weight", "note", "label", "code", "state",
            "grade", "owner", "person", "role", "region", "visit", "date", "count", "share", "total", "price", "unit",
            "rank", "level", "kind");
    private static final List<String> TYPES = List.of("varchar(%d)", "integer", "bigint", "numeric(%d,2)", "timestamp",
            "date", "boolean", "text", "char(%d)", "double precision");
    private static final int SEED = 7;

    private VariedScript() { }

    /** The script of as many tables, the same at each call. */
    static String of(int tables) {
        Random random = new Random(SEED);
        StringBuilder script = new StringBuilder();
        for (int table = 0; table < tables; table++) {
            script.append("CREATE TABLE ").append(any(WORDS, random)).append('_').append(table)
                    .append(" (\n    id bigint NOT NULL,\n");
            for (int column = 4 + random.nextInt(14); column >= 0; column--) {
                script.append("    ").append(any(WORDS, random)).append('_').append(any(WORDS, random)).append(column)
                        .append(' ').append(any(TYPES, random).formatted(10 + random.nextInt(90)))
                        .append(random.nextInt(3) == 0 ? " DEFAULT " + random.nextInt(20) : "")
                        .append(random.nextBoolean() ? " NOT NULL" : "").append(",\n");
            }
            script.append("    CONSTRAINT pk_").append(table).append(" PRIMARY KEY (id)\n);\n\n");
        }
        return script.toString();
    }

    private static String any(List<String> list, Random random) {
        return list.get(random.nextInt(list.size()));
    }
}
