package entaxis.core.type;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.type.SqlType.IntegerSize;
import entaxis.core.type.SqlType.IntegerType;
import entaxis.core.type.TypeReading.Known;
import entaxis.core.type.TypeReading.Unknown;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class TypeReaderTest {

    /**
     * Spellings of ISO/IEC 9075-2, 6.1 (data type), from memory, and everyday synonyms of engines (common practice).
     */
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
            "CHARACTER VARYING(60) | varchar(60)", "character varying ( 60 ) | varchar(60)",
            "CHAR VARYING(3) | varchar(3)", "NATIONAL CHARACTER(9) | char(9)",
            "nvarchar(9) | varchar(9)", "varchar2(20 char) | varchar(20)", "CHARACTER LARGE OBJECT | text",
            "clob | text", "char | char",
        "BINARY VARYING(20) | varbinary(20)", "BINARY LARGE OBJECT | blob", "bytea | blob",
            "int | integer", "INT4 | integer", "int unsigned | integer unsigned", "int(11) | integer",
            "bigint(20) unsigned | bigint unsigned", "tinyint | tinyint",
        "number(9,2) | numeric(9,2)", "decimal(5) | numeric(5)", "DEC | numeric", "numeric(5,0) | numeric(5,0)",
            "float | double precision", "float(24) | real", "float(25) | double precision", "float8 | double precision",
            "double | double precision",
            "bool | boolean", "timestamptz | timestamp with time zone",
            "timestamp(3) with time zone | timestamp(3) with time zone",
            "timestamp without time zone | timestamp", "timestamp(0) | timestamp(0)", "datetime | timestamp",
            "time with time zone | time with time zone",
            "interval | interval day to second", "interval year to month | interval year to month",
            "interval hour | interval hour",
        "uniqueidentifier | uuid", "JSON | json", "jsonb | jsonb", "inet | inet"})
    void readsWhatPeopleWrite(String typed, String text) {
        assertThat(TypeReader.read(typed)).isInstanceOfSatisfying(Known.class, known -> {
            assertThat(known.type().text()).isEqualTo(text);
            assertThat(TypeReader.read(text)).isEqualTo(known);
        });
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
            "varchr(3) | did you mean varchar?", "intger | did you mean integer?", "xyzzy | is not a type known here",
            "varchar(0) | is not a size", "varchar(-1) | is not a size",
            "varchar(99999999999) | is not a size", "varchar(3 | not closed", "varchar() | is not a size",
            "numeric(3,9) | more decimals than digits", "numeric(0) | as in numeric(9,2)",
            "integer integer | after the type", "timestamp(9) | from 0 to 6",
            "interval day to year | longer to a shorter", "interval year to day | longer to a shorter",
            "(3) | is not a type",
        "varchar(2.5) | is not a size", "national integer | is followed by char"})
    void saysWhatIsWrongAndWhatToWrite(String typed, String message) {
        assertThat(TypeReader.read(typed)).isInstanceOfSatisfying(Unknown.class,
                unknown -> assertThat(unknown.message()).contains(message));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "   ", "'", "\"", "((((((((((", "\u0000", "😀", "--", "varchar(", "numeric(,",
            "interval to"})
    void neverFailsOnNonsense(String typed) {
        assertThat(TypeReader.read(typed)).isInstanceOf(Unknown.class);
    }

    @Test
    void aVeryLongWordIsRefusedQuickly() {
        assertThat(TypeReader.read("x".repeat(1_000_000))).isInstanceOf(Unknown.class);
    }

    @Test
    void everyTypeThatIsOfferedIsKnown() {
        assertThat(TypeReader.offered())
                .allMatch(text -> TypeReader.read(text) instanceof Known(SqlType type) && type.text().equals(text));
    }

    /**
     * A 4-byte integer reaches 2 147 483 647, an 8-byte one 2^63 - 1; unsigned doubles the positive range: common
     * practice.
     */
    @Test
    void sizesOfIntegers() {
        assertThat(Math.pow(2, 8 * IntegerSize.INTEGER.bytes() - 1) - 1).isEqualTo(2_147_483_647d);
        assertThat(IntegerSize.BIGINT.bytes()).isEqualTo(Long.BYTES);
        assertThat(TypeReader.read("bigint unsigned")).isEqualTo(new Known(new IntegerType(IntegerSize.BIGINT, true)));
    }
}
