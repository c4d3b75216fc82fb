package entaxis.core.expression;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.expression.ViewQuery.ReadTable;
import entaxis.core.syntax.ScriptSyntax;
import entaxis.core.targets.Target;
import java.util.Map;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Which tables, columns and functions queries read (ISO/IEC 9075-2, 7.6 to 7.17). */
class ViewQueryTest {

    private static ViewQuery query(String query, Target engine) {
        return ViewQuery.of("CREATE VIEW seen AS " + query, ScriptSyntax.of(engine).lexicalRules())
                .orElseThrow(() -> new AssertionError("cannot be read: " + query));
    }

    private static String tables(ViewQuery query) {
        return query.tables().stream().map(table -> (table.qualified() ? "." : "") + table.name())
                .collect(Collectors.joining(" "));
    }

    private static String columns(ViewQuery query) {
        return query.columns().stream().map(column -> column.table().name() + "." + column.name())
                .collect(Collectors.joining(" "));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '~', nullValues = "-", textBlock = """
            SELECT jar_no FROM jar                                        | jar       |
            SELECT j.jar_no, Lot.No FROM jar AS j, "lot"                  | jar lot   | jar.jar_no lot.no
            SELECT s.jar.no FROM s.jar JOIN lot l ON l.no = jar.no        | .jar lot  | jar.no lot.no
            SELECT 1 FROM jar j LEFT JOIN lot ON lot.a = j.a AND j.b > 1  | jar lot   | lot.a jar.a jar.b
            SELECT 1 FROM (jar j JOIN lot l USING (a)) FULL JOIN shelf s ON s.x = l.x | jar lot shelf | \
            shelf.x lot.x
            SELECT d.x FROM (SELECT j.x FROM jar j) d                     | jar       | jar.x
            SELECT x FROM jar j WHERE EXISTS (SELECT 1 FROM (SELECT 1) j WHERE j.x = 1) | jar |
            SELECT x FROM jar j WHERE EXISTS (SELECT 1 FROM lot WHERE lot.y = j.y)      | jar lot | lot.y jar.y
            SELECT x FROM jar WHERE x IN (SELECT l.x FROM lot l)          | jar lot   | lot.x
            WITH jar AS (SELECT l.x FROM lot l) SELECT jar.x FROM jar     | lot       | lot.x
            WITH RECURSIVE up (n) AS (SELECT 1 UNION ALL SELECT up.n FROM up JOIN jar ON jar.n = up.n) \
            SELECT n FROM up | jar | jar.n
            SELECT j.a FROM jar j UNION SELECT j.b FROM lot j ORDER BY 1  | jar lot   | jar.a lot.b
            SELECT j.* FROM jar j ORDER BY j.a LIMIT 3                    | jar       | jar.a
            SELECT jar.a FROM jar, jar                                    | jar       |
            SELECT EXTRACT(YEAR FROM d), TRIM(LEADING x FROM y) FROM jar  | jar       |
            SELECT a FROM jar WHERE a IS DISTINCT FROM b                  | jar       |
            SELECT g.n FROM generate_series(1, 3) AS g(n), jar            | jar       |
            SELECT jar FROM jar                                           | jar       |
            SELECT 'FROM lot' FROM jar -- FROM shelf                      | jar       |
            """)
    void tablesAndColumns(String query, String tables, String columns) {
        ViewQuery read = query(query, Target.POSTGRESQL);
        assertThat(tables(read)).isEqualTo(tables);
        assertThat(columns(read)).isEqualTo(columns == null ? "" : columns);
    }

    /** A name without its table may be that of any table; a column of another table is none of this one. */
    @Test
    void columnsThatItMayRead() {
        ViewQuery query = query("SELECT value, l.weight, count(*) FROM jar JOIN s.lot l USING (no) WHERE size > 1",
                Target.POSTGRESQL);
        assertThat(Stream.of("value", "NO", "size", "weight", "colour").filter(column -> query.mayRead("Jar", column)))
                .containsExactly("value", "NO", "size");
        assertThat(query.mayRead("lot", "weight")).isTrue();
        assertThat(query.mayRead("shelf", "size")).isFalse();
        assertThat(query("SELECT l.* FROM lot l", Target.POSTGRESQL).mayRead("lot", "colour")).isTrue();
    }

    @Test
    void functions() {
        assertThat(new TreeSet<>(query("SELECT weigh(a, round(b)) FROM jar WHERE s.count_of(c) > count(*) "
                + "AND x IN (SELECT max(y) FROM spread(3))", Target.POSTGRESQL).functions()))
                .containsExactly("count", "count_of", "max", "round", "spread", "weigh");
    }

    /** Forms that one engine or another takes, as its manual has them. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '~', textBlock = """
            POSTGRESQL | SELECT sum(a) OVER w FROM jar WINDOW w AS (PARTITION BY b ORDER BY c)
            POSTGRESQL | SELECT a, count(*) FROM jar GROUP BY GROUPING SETS ((a), ())
            POSTGRESQL | SELECT a FROM jar TABLESAMPLE system (10) REPEATABLE (1)
            POSTGRESQL | TABLE jar
            POSTGRESQL | SELECT overlay(a PLACING 'b' FROM 1) FROM jar WHERE a BETWEEN SYMMETRIC 1 AND 2
            POSTGRESQL | SELECT ~a FROM ONLY jar WHERE b @> c GROUP BY DISTINCT a
            MYSQL      | SELECT a FROM `jar` STRAIGHT_JOIN jar AS j USE INDEX (i) ON j.a = jar.a
            MYSQL      | SELECT a FROM jar FORCE INDEX FOR JOIN (i, k) WHERE a = "FROM lot"
            SQLSERVER  | SELECT TOP (10) PERCENT WITH TIES [a] FROM [jar] WITH (NOLOCK)
            SQLSERVER  | SELECT TOP 3 a FROM jar CROSS APPLY dbo.spread(jar.a) x
            SQLSERVER  | SELECT a FROM jar OUTER APPLY (SELECT 1 AS c) x
            ORACLE     | SELECT a FROM jar START WITH a = 1 CONNECT BY NOCYCLE PRIOR a = b
            ORACLE     | SELECT a FROM jar j, jar k WHERE j.a = k.a(+)
            SQLITE     | SELECT a FROM jar INDEXED BY i WHERE jar MATCH 'x'
            SQLITE     | SELECT a FROM jar NOT INDEXED WHERE NOT a
            SQLITE     | SELECT [a] FROM `jar` NATURAL LEFT JOIN "jar" j
            DUCKDB     | SELECT a FROM jar QUALIFY row_number() OVER (ORDER BY a) = 1
            """)
    void formsOfEngines(Target engine, String query) {
        assertThat(query(query, engine).tables()).containsExactly(new ReadTable("jar", false));
    }

    /** Catalogs have such forms in other words, so that two texts cannot be compared by them. */
    @ParameterizedTest
    @ValueSource(strings = {"SELECT a FROM jar NATURAL JOIN lot", "SELECT TOP 3 a FROM jar",
        "SELECT a FROM jar WHERE a BETWEEN SYMMETRIC 1 AND 2"})
    void formsThatSayNothingAboutSameness(String query) {
        assertThat(CanonicalQuery.sameView("CREATE VIEW v AS " + query, "CREATE VIEW v AS " + query)).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"SELECT a FROM jar PIVOT (sum(b) FOR c IN (1, 2)) p", "SELECT a FROM (jar",
        "SELECT a FROM jar WHERE"})
    void whatIsNotKnownIsNotGuessed(String query) {
        assertThat(ViewQuery.of("CREATE VIEW seen AS " + query,
                ScriptSyntax.of(Target.SQLSERVER).lexicalRules())).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '~', textBlock = """
            SELECT lot FROM lot                             | SELECT lot FROM batch
            SELECT lot.lot AS lot FROM lot WHERE lot.a = 1  | SELECT batch.lot AS lot FROM batch WHERE batch.a = 1
            SELECT l.lot FROM s.lot l                       | SELECT l.lot FROM s.batch l
            SELECT s.lot.a FROM s.lot                       | SELECT s.batch.a FROM s.batch
            SELECT lot.a FROM jar lot                       | SELECT lot.a FROM jar lot
            SELECT lot.* FROM "lot"                         | SELECT batch.* FROM batch
            WITH lot AS (SELECT 1 AS a) SELECT a FROM lot   | WITH lot AS (SELECT 1 AS a) SELECT a FROM lot
            SELECT 'lot' FROM lot /* lot */ JOIN jar ON jar.lot = lot.no | \
            SELECT 'lot' FROM batch /* lot */ JOIN jar ON jar.lot = batch.no
            """)
    void tablesUnderOtherNames(String query, String renamed) {
        assertThat(query(query, Target.POSTGRESQL).renamed(Map.of("lot", "batch")))
                .isEqualTo("CREATE VIEW seen AS " + renamed);
    }

    /** A query of a megabyte, and one that is nested deeply. */
    @Test
    void largeAndHostileTexts() {
        String wide = "SELECT " + "lot.a, ".repeat(150_000) + "1 FROM lot";
        assertThat(query(wide, Target.POSTGRESQL).renamed(Map.of("lot", "b"))).hasSize(
                "CREATE VIEW seen AS ".length() + wide.length() - 2 * 150_001);
        String deep = "SELECT 1 FROM " + "(SELECT 1 FROM ".repeat(5000) + "jar";
        assertThat(ViewQuery.of("CREATE VIEW v AS " + deep, ScriptSyntax.of(Target.ISO).lexicalRules())).isEmpty();
    }
}
