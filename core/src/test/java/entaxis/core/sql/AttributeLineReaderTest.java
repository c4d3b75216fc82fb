package entaxis.core.sql;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.schema.Identity;
import entaxis.core.sql.AttributeLine.Fault;
import entaxis.core.sql.AttributeLine.Understood;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class AttributeLineReaderTest {

    private static AttributeLine line(String text) {
        return switch (AttributeLineReader.read(text)) {
            case Understood(AttributeLine line) -> line;
            case Fault fault -> throw new AssertionError(fault.toString());
        };
    }

    @Test
    void aColumnDefinition() {
        AttributeLine line = line("received_on date not null default current_date -- day it reached us");
        assertThat(line.name()).isEqualTo("received_on");
        assertThat(line.type().text()).isEqualTo("date");
        assertThat(line.required()).isTrue();
        assertThat(line.defaultValue()).contains("current_date");
        assertThat(line.meaning()).isEqualTo("day it reached us");
        assertThat(line.primaryKey()).isFalse();
    }

    @Test
    void clausesInAnyOrder() {
        AttributeLine line = line(
                "viability numeric(4,1) check (viability between 0 and 100) default round(50.5, 0) unique not null,  "
                        + "-- percent");
        assertThat(line.check()).contains("viability between 0 and 100");
        assertThat(line.defaultValue()).contains("round(50.5, 0)");
        assertThat(line.unique()).isTrue();
        assertThat(line.required()).isTrue();
        assertThat(line.meaning()).isEqualTo("percent");
    }

    @Test
    void keysAndNumbers() {
        assertThat(line("id serial primary key")).satisfies(line -> {
            assertThat(line.identity()).isEqualTo(Identity.BY_DEFAULT);
            assertThat(line.type().text()).isEqualTo("integer");
            assertThat(line.primaryKey()).isTrue();
            assertThat(line.required()).isTrue();
        });
        assertThat(line("id bigint generated always as identity").identity()).isEqualTo(Identity.ALWAYS);
        assertThat(line("id int unsigned auto_increment").type().text()).isEqualTo("integer unsigned");
    }

    @Test
    void aNameAloneIsText() {
        assertThat(line("note").type().text()).isEqualTo("text");
        assertThat(line("note not null").required()).isTrue();
        assertThat(line("\"seed count\" integer").name()).isEqualTo("seed count");
        assertThat(line("état varchar(3) default 'a, b -- c'").defaultValue()).contains("'a, b -- c'");
    }

    @Test
    void severalLinesAndTheOneThatIsWrong() {
        assertThat(AttributeLineReader.readAll("a integer,\n\n  b text -- second\nc wrong(3)\n")).hasSize(3).element(2)
                .isInstanceOfSatisfying(Fault.class, fault -> {
                    assertThat(fault.line()).isEqualTo(4);
                    assertThat(fault.column()).isEqualTo(3);
                });
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '`', value = {
            "12abc integer | 1 | begins with the attribute's name", "a varchr(3) | 3 | did you mean varchar?",
            "a integer nut null | 11 | is not understood here",
            "a integer default | 11 | is followed by a value", "a integer check | 11 | condition in brackets",
            "a integer check (x | 11 | condition in brackets", "a integer check () | 11 | condition in brackets",
            "a integer references b | 11 | draw a relationship", "`a text default 'x` | 8 | is followed by a value",
            "a text default (1; drop table b) | 8 | is followed by a value",
        "`\"a text` | 1 | quote is not closed", "a integer default 1) | 11 | is followed by a value"})
    void saysWhereAndWhat(String text, int column, String message) {
        assertThat(AttributeLineReader.read(text.replace("`", ""))).isInstanceOfSatisfying(Fault.class, fault -> {
            assertThat(fault.message()).contains(message);
            assertThat(fault.column()).isEqualTo(column);
        });
    }

    @Test
    void expressionsThatCouldEndTheirStatementAreRefused() {
        for (String text : new String[] {"1; drop table a", "1) check (1", "'open", "(1", "1 -- rest", "/* x",
                "\"open"}) {
            assertThat(AttributeLineReader.expressionFault(text)).as(text).isPresent();
        }
        for (String text : new String[] {"", "0", "'it''s'", "current_timestamp", "a in (1, (2))",
                "upper(name) <> ';'"}) {
            assertThat(AttributeLineReader.expressionFault(text)).as(text).isEqualTo(Optional.empty());
        }
    }

    @Test
    void neverFailsOnNonsense() {
        String alphabet = "ab ()'\"-,;0 default check not null varchar primary key";
        Random random = new Random(3);
        String[] words = alphabet.split("(?<=.)");
        for (int i = 0; i < 20_000; i++) {
            StringBuilder text = new StringBuilder();
            for (int j = random.nextInt(25); j > 0; j--) {
                text.append(words[random.nextInt(words.length)]);
            }
            assertThat(AttributeLineReader.read(text.toString())).isNotNull();
        }
        assertThat(AttributeLineReader.read("a integer check " + "(".repeat(5000))).isInstanceOf(Fault.class);
        assertThat(AttributeLineReader.read("a".repeat(1_000_000))).isInstanceOf(Fault.class);
    }
}
