package entaxis.core.expression;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Spellings that stand on the right are those of catalogs, seen on PostgreSQL 18, MariaDB 11.4 and H2 2.4. */
class CanonicalQueryTest {
    private static java.util.Optional<Boolean> same(String one, String other) {
        return CanonicalQuery.sameView("CREATE VIEW v AS " + one, "CREATE VIEW v AS " + other);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '~', textBlock = """
            SELECT a FROM t WHERE b BETWEEN 1 AND 5               | SELECT a FROM t WHERE (b >= 1) AND (b <= 5)
            SELECT a FROM t x WHERE x.b > 1                       | SELECT x.a FROM t x WHERE x.b > 1
            SELECT a FROM t WHERE b > 1                           | SELECT "t"."a" AS "a" FROM "t" WHERE "t"."b" > 1
            SELECT a, count(*) FROM t GROUP BY a                  | SELECT t.a AS a, count(0) AS "count(*)" FROM t \
            GROUP BY t.a
            SELECT x.a FROM t x JOIN u ON u.a = x.a WHERE x.b > 1 | SELECT "X"."A" FROM "U" INNER JOIN "T" "X" ON 1=1 \
            WHERE ("X"."B" > CAST(1 AS NUMERIC(1))) AND ("U"."A" = "X"."A")
            SELECT x.a FROM t x, u WHERE u.a = x.a                | SELECT x.a FROM (t x JOIN u) WHERE u.a = x.a
            SELECT a FROM t RIGHT JOIN u ON t.c = u.c             | SELECT t.a AS a FROM (u LEFT JOIN t ON (t.c = u.c))
            SELECT a FROM t JOIN u USING (c)                      | SELECT t.a AS a FROM (t JOIN u ON (t.c = u.c))
            SELECT a FROM t ORDER BY a                            | SELECT a FROM t ORDER BY 1 NULLS LAST
            SELECT a, b AS n FROM t ORDER BY n DESC               | SELECT a, b AS n FROM t ORDER BY b DESC
            SELECT a FROM t WHERE b = 1 OR b = 2                  | SELECT a FROM t WHERE b IN (2, 1)
            SELECT a FROM t WHERE NOT (b < 1 OR c IS NULL)        | SELECT a FROM t WHERE b >= 1 AND NOT (c IS NULL)
            SELECT a FROM t WHERE EXISTS (SELECT 1 FROM u)        | SELECT a FROM t WHERE EXISTS (SELECT 1 FROM u \
            LIMIT 1)
            SELECT a FROM t WHERE b IN (SELECT c FROM u)          | SELECT "A" FROM "T" WHERE "B" IN (SELECT DISTINCT \
            "C" FROM "U")
            SELECT a FROM t WHERE (b, c) = (1, 2)                 | SELECT a FROM t WHERE b = 1 AND c = 2
            SELECT * FROM t WHERE b < 1 ORDER BY b                | SELECT a, b FROM t WHERE t.b < 1 ORDER BY 2
            WITH h AS (SELECT a FROM t) SELECT a FROM h           | WITH "H"("A") AS (SELECT "A" FROM "T") SELECT "A" \
            FROM "H"
            SELECT a FROM t UNION SELECT b FROM t                 | (SELECT a FROM t) UNION DISTINCT (SELECT b FROM t)
            SELECT a FROM t FETCH FIRST 5 ROWS ONLY               | SELECT a FROM t LIMIT 5
            SELECT round(a) AS r FROM t                           | SELECT round(t.a, 0) AS r FROM t
            SELECT d.n FROM (SELECT a AS n FROM t) d              | SELECT d.n AS n FROM (SELECT t.a AS n FROM t) d
            SELECT g FROM generate_series(1, 3) g                 | SELECT g.g FROM generate_series(1, 3) g(g)
            SELECT a FROM t WHERE b <> 0 OR a < c                 | SELECT a FROM t WHERE c > a OR b
            SELECT sum(a) OVER (PARTITION BY b ORDER BY c) FROM t | SELECT sum(a) OVER (PARTITION BY b ORDER BY c) AS \
            sum FROM t
            """)
    void theSameSpelledOtherwise(String wanted, String kept) {
        assertThat(same(wanted, kept)).contains(true);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '~', textBlock = """
            SELECT a FROM t WHERE b < 1                     | SELECT a FROM t WHERE b <= 1
            SELECT a FROM t WHERE b < c                     | SELECT a FROM t WHERE c < b
            SELECT a FROM t WHERE a > 1 AND b > 2           | SELECT a FROM t WHERE a > 2 AND b > 1
            SELECT a FROM t WHERE a > 1 AND b > 2           | SELECT a FROM t WHERE a > 1 OR b > 2
            SELECT a FROM t                                 | SELECT DISTINCT a FROM t
            SELECT a FROM t                                 | SELECT a, b FROM t
            SELECT a, b FROM t                              | SELECT b, a FROM t
            SELECT a AS n FROM t                            | SELECT a AS m FROM t
            SELECT t.a FROM t JOIN u ON t.a = u.a           | SELECT u.a FROM t JOIN u ON t.a = u.a
            SELECT x.a FROM t x JOIN t y ON x.b = y.c       | SELECT x.a FROM t x JOIN t y ON x.c = y.b
            SELECT t.a FROM t LEFT JOIN u ON t.a = u.a      | SELECT t.a FROM t JOIN u ON t.a = u.a
            SELECT t.a FROM t LEFT JOIN u ON t.a = u.a      | SELECT t.a FROM u LEFT JOIN t ON t.a = u.a
            SELECT t.a FROM t LEFT JOIN u ON t.a = u.a      | SELECT t.a FROM t FULL JOIN u ON t.a = u.a
            SELECT a FROM t ORDER BY a                      | SELECT a FROM t ORDER BY a DESC
            SELECT a FROM t ORDER BY a                      | SELECT a FROM t
            SELECT a FROM t ORDER BY a                      | SELECT a FROM t ORDER BY b
            SELECT * FROM t ORDER BY a                      | SELECT a, b FROM t ORDER BY 1 DESC
            SELECT a FROM t LIMIT 5                         | SELECT a FROM t LIMIT 5 OFFSET 5
            SELECT max(a) AS m FROM t                       | SELECT min(a) AS m FROM t
            SELECT count(a) AS n FROM t                     | SELECT count(DISTINCT a) AS n FROM t
            SELECT a FROM t UNION SELECT b FROM u           | SELECT a FROM t UNION ALL SELECT b FROM u
            SELECT a FROM t EXCEPT SELECT b FROM u          | SELECT a FROM t INTERSECT SELECT b FROM u
            SELECT a FROM t WHERE b IN (SELECT c FROM u)    | SELECT a FROM t WHERE b NOT IN (SELECT c FROM u)
            SELECT a FROM t WHERE EXISTS (SELECT 1 FROM u)  | SELECT a FROM t WHERE NOT EXISTS (SELECT 1 FROM u)
            SELECT a FROM t GROUP BY a HAVING count(*) > 1  | SELECT a FROM t GROUP BY a HAVING count(*) >= 1
            SELECT rank() OVER (ORDER BY a) AS r FROM t     | SELECT rank() OVER (ORDER BY a DESC) AS r FROM t
            SELECT count(*) FILTER (WHERE a > 1) AS n FROM t| SELECT count(*) FILTER (WHERE a < 1) AS n FROM t
            SELECT * FROM t WHERE b < 1                     | SELECT a, b FROM t WHERE b <= 1
            WITH h AS (SELECT a FROM t WHERE b < 1) SELECT a FROM h | WITH h AS (SELECT a FROM t WHERE b > 1) SELECT \
            a FROM h
            """)
    void anotherQuery(String wanted, String kept) {
        assertThat(same(wanted, kept)).contains(false);
    }

    @Test
    void theListOfColumnsNamesThem() {
        assertThat(CanonicalQuery.sameView("CREATE OR REPLACE VIEW s.v (n) AS SELECT a FROM t WITH CHECK OPTION",
                "CREATE VIEW v AS SELECT t.a AS n FROM t")).contains(true);
        assertThat(CanonicalQuery.sameView("CREATE VIEW v (n) AS SELECT a FROM t",
                "CREATE VIEW v AS SELECT t.a AS m FROM t")).contains(false);
    }

    @Test
    void aViewThatIsStoredIsAnotherThing() {
        assertThat(CanonicalQuery.sameView("CREATE MATERIALIZED VIEW v AS SELECT a FROM t WITH NO DATA",
                "CREATE VIEW v AS SELECT a FROM t")).contains(false);
    }

    @ParameterizedTest
    @ValueSource(strings = {"SELECT a FROM t NATURAL JOIN u", "SELECT a FROM t TABLESAMPLE SYSTEM (1)", "SELECT a FROM",
            "", "SELECT a FROM t WHERE (", "SELECT a FROM t WINDOW w AS (ORDER BY a)"})
    void whatIsNotReadIsNotJudged(String query) {
        assertThat(same(query, query)).isEmpty();
    }

    @Test
    void deepNestingEnds() {
        String deep = "SELECT a FROM " + "(SELECT a FROM ".repeat(5000) + "t" + ") x".repeat(5000);
        assertThat(same(deep, deep)).isEmpty();
        String brackets = "SELECT " + "(".repeat(100_000) + "a" + ")".repeat(100_000) + " FROM t";
        assertThat(same(brackets, brackets)).isEmpty();
    }
}
