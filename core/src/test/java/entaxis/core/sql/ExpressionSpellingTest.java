package entaxis.core.sql;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.expression.Expression;
import entaxis.core.targets.Target;
import entaxis.core.type.SqlType.IntegerSize;
import entaxis.core.type.SqlType.IntegerType;
import entaxis.core.type.SqlType;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What an expression of ISO SQL is in the words of each engine, by the manuals that the dialects name. */
class ExpressionSpellingTest {
    private static final SqlType INTEGER = new IntegerType(IntegerSize.INTEGER, false);

    private static String spelled(Target engine, String expression) {
        return Dialect.of(engine).expression(Expression.of(expression)).text();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '~', value = {
        // names in the engine's quotes, with what qualifies them
        "MYSQL     | \"Seed count\" > 0                     | `Seed count` > 0",
        "MYSQL     | lot.\"Seed count\" > lot.n             | lot.`Seed count` > lot.n",
        "SQLSERVER | \"a\"\"b\" = 1                         | [a\"b] = 1",
        "SQLSERVER | \"Store\".\"Weigh\"(n) > 0             | Store.Weigh(n) > 0",
        "POSTGRESQL| \"Seed count\" > 0                     | \"Seed count\" > 0",
        // words and functions that are called otherwise; columns and functions of a schema of that name stay
        "SQLSERVER | dry = true                             | dry = 1",
        "SQLSERVER | char_length(label) > 2                 | len(label) > 2",
        "SQLSERVER | char_length(trim(label)) > length      | len(trim(label)) > length",
        "SQLSERVER | since < current_date                   | since < cast(getdate() as date)",
        "ORACLE    | char_length(label) = 2 or dry = false  | length(label) = 2 or dry = 0",
        "SQLITE    | character_length(label) > 2            | length(label) > 2",
        "SQLSERVER | label <> 'true'                        | label <> 'true'",
        // types of casts, however deep
        "SQLSERVER | cast(n as text) = '1'                  | cast(n as nvarchar(max)) = '1'",
        "SQLSERVER | CAST((a + b) AS varchar) = CAST(n AS boolean)"
                + " | CAST((a + b) AS nvarchar(max)) = CAST(n AS bit)",
        "ORACLE    | cast(cast(n as integer) as varchar)    | cast(cast(n as integer) as varchar2(4000))",
        "MYSQL     | CAST(n AS varchar(20))                 | CAST(n AS char(20))",
        "SQLSERVER | CAST(n AS numeric(9, 2)) > 0           | CAST(n AS numeric(9, 2)) > 0",
        // constants of time
        "SQLITE    | since > date '2026-01-31'              | since > '2026-01-31'",
        "SQLSERVER | since > TIMESTAMP '2026-01-31 10:00:00'| since > '2026-01-31 10:00:00'",
        "POSTGRESQL| since > date '2026-01-31'              | since > date '2026-01-31'",
        // calls without a name before their brackets
        "SQLSERVER | case when \"a\"\"b\" = 1 and dry = true and (n > 1) then 1 end = 1"
                + " | case when [a\"b] = 1 and dry = 1 and (n > 1) then 1 end = 1",
        "MYSQL     | case when \"Seed count\" = cast(n as text) then 1 end = 1"
                + " | case when `Seed count` = cast(n as char) then 1 end = 1",
        "SQLSERVER | \"a\"\"b\".f(dry = true) collate latin = 'x' | [a\"b].f(dry = 1) collate latin = 'x'",
        // what is in the engine's words already, or in none that are known
        "MYSQL     | `Seed count` > char_length(\"b\")      | `Seed count` > char_length(\"b\")",
        "SQLSERVER | [a] > 0 and b = true                   | [a] > 0 and b = true",
        "MYSQL     | a @@@ \"b c\" ~* 'x'                     | a @@@ `b c` ~* 'x'",
        // moments, random identifiers and sequences
        "POSTGRESQL | now() | now()",
        "MYSQL | current_timestamp | current_timestamp",
        "SQLSERVER | (now()) | sysdatetime()",
        "ORACLE | getdate() | current_timestamp",
        "POSTGRESQL | newid() | gen_random_uuid()",
        "MYSQL | ((gen_random_uuid())) | uuid()",
        "SQLSERVER | uuid() | newid()",
        "ORACLE | gen_random_uuid() | sys_guid()",
        "POSTGRESQL | next value for store.lot_seq | nextval('store.lot_seq')",
        "ORACLE | NEXT VALUE FOR lot_seq | lot_seq.nextval",
        "SQLSERVER | next value for \"Lot seq\" | next value for [Lot seq]"})
    void spells(Target engine, String expression, String expected) {
        assertThat(spelled(engine, expression)).isEqualTo(expected);
    }

    /** What stands between the parts stays as somebody wrote it. */
    @Test
    void blanksStay() {
        assertThat(spelled(Target.SQLSERVER, "( dry  =  TRUE )\n  and\tcast( \"n o\"  as   text )  = 'x'"))
                .isEqualTo("( dry  =  1 )\n  and\tcast( [n o]  as nvarchar(max))  = 'x'");
    }

    /** SQLite documentation, CREATE TABLE, 3.2; MySQL manual, “Data Type Default Values”. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '~', value = {
        "1 | 1", "'a' | 'a'", "-1 | -1", "(1) | (1)", "1 + 1 | (1 + 1)",
        "(1) + (2) | ((1) + (2))", "((1) + (2)) | ((1) + (2))", "upper('a') | (upper('a'))"})
    void defaultsInBrackets(String spelled, String expected) {
        for (Target engine : new Target[] {Target.SQLITE, Target.MYSQL, Target.MARIADB}) {
            assertThat(Dialect.of(engine).columnDefault(Expression.of(spelled), INTEGER).text()).as(engine.name())
                    .isEqualTo(expected);
        }
    }
}
