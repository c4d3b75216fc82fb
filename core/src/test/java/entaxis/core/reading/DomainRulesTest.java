package entaxis.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.schema.CheckRule;
import entaxis.core.schema.TypeDefinition.DomainDefinition;
import entaxis.core.targets.Target;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Each rule of a domain is added, renamed and dropped by its name; the domain holds all of them as one. */
class DomainRulesTest {

    private static DomainRules two(boolean exact) {
        DomainRules rules = new DomainRules(exact);
        rules.begin("share");
        rules.add("share", new CheckRule("least", "VALUE >= 0"));
        rules.add("share", new CheckRule("most", "VALUE <= 1"));
        return rules;
    }

    @Test
    void allAreOneUnderTheNameOfTheFirst() {
        DomainRules rules = two(true);
        assertThat(rules.all("share")).contains(new CheckRule("least", "(VALUE >= 0) AND (VALUE <= 1)"));
        rules.add("share", new CheckRule("never_half", "VALUE <> 0.5"));
        assertThat(rules.all("share").orElseThrow().condition().text())
                .isEqualTo("(VALUE >= 0) AND (VALUE <= 1) AND (VALUE <> 0.5)");
        assertThat(rules.all("weight")).isEmpty();
    }

    @Test
    void oneIsDroppedAndTheOthersStay() {
        DomainRules rules = two(true);
        rules.drop("share", "never");
        assertThat(rules.all("share")).map(CheckRule::name).contains("least");
        rules.drop("share", "least");
        assertThat(rules.all("share")).contains(new CheckRule("most", "VALUE <= 1"));
        rules.drop("share", "most");
        assertThat(rules.all("share")).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"true, least", "false, most"})
    void lettersCountWhereTheEngineTellsThemApart(boolean exact, String first) {
        DomainRules rules = two(exact);
        rules.drop("share", "LEAST");
        assertThat(rules.all("share").orElseThrow().name()).isEqualTo(first);
    }

    @Test
    void theOnlyOneWithoutANameGoesByAnyName() {
        DomainRules rules = new DomainRules(false);
        rules.begin("share");
        rules.add("share", new CheckRule("", "VALUE > 0"));
        rules.drop("share", "made_up_by_the_engine");
        assertThat(rules.all("share")).isEmpty();
    }

    @Test
    void aNameThatIsTakenGetsANumber() {
        DomainRules rules = new DomainRules(true);
        for (int i = 0; i < 3; i++) {
            rules.add("mark", new CheckRule("mark_check", "VALUE > " + i));
        }
        rules.drop("mark", "mark_check");
        rules.drop("mark", "mark_check1");
        assertThat(rules.all("mark")).contains(new CheckRule("mark_check2", "VALUE > 2"));
    }

    @Test
    void theyGoAlongWhereTheDomainIsRenamed() {
        DomainRules rules = two(true);
        rules.move("share", "part");
        rules.rename("part", "least", "no_less");
        rules.rename("part", "never", "nothing");
        assertThat(rules.all("part").orElseThrow().name()).isEqualTo("no_less");
        assertThat(rules.all("share")).isEmpty();
        rules.begin("part");
        assertThat(rules.all("part")).isEmpty();
    }

    /** PostgreSQL manual, ALTER DOMAIN: its examples, on a domain that is there. */
    @Test
    void examplesOfTheManual() {
        String create = "CREATE DOMAIN zipcode AS text CONSTRAINT first CHECK (VALUE <> '');\n";
        assertThat(domain(create + "ALTER DOMAIN zipcode SET NOT NULL;").required()).isTrue();
        assertThat(domain(create + "ALTER DOMAIN zipcode SET NOT NULL; ALTER DOMAIN zipcode DROP NOT NULL;").required())
                .isFalse();
        String added = create + "ALTER DOMAIN zipcode ADD CONSTRAINT zipchk CHECK (char_length(VALUE) = 5);\n";
        assertThat(domain(added).check().orElseThrow().condition().text())
                .isEqualTo("(VALUE <> '') AND (char_length(VALUE) = 5)");
        assertThat(domain(added + "ALTER DOMAIN zipcode DROP CONSTRAINT zipchk;").check())
                .contains(new CheckRule("first", "VALUE <> ''"));
        assertThat(domain(added
                + "ALTER DOMAIN zipcode RENAME CONSTRAINT zipchk TO zip_check; ALTER DOMAIN zipcode DROP CONSTRAINT "
                + "first;")
                .check())
                .contains(new CheckRule("zip_check", "char_length(VALUE) = 5"));
    }

    /** H2 manual, CREATE DOMAIN: with IF NOT EXISTS one that is there stays as it is. */
    @Test
    void oneThatIsThereStays() {
        Reading reading = ScriptReader.read("""
                CREATE DOMAIN share AS integer CHECK (VALUE > 0);
                CREATE DOMAIN IF NOT EXISTS share AS varchar(9);
                CREATE DOMAIN share AS date;
                """, Target.H2);
        assertThat(reading.schema().types()).singleElement().isInstanceOfSatisfying(DomainDefinition.class,
                share -> assertThat(share.check().orElseThrow().condition().text()).isEqualTo("VALUE > 0"));
        assertThat(reading.steppedOver()).singleElement()
                .isEqualTo(new SteppedOver("", 2, "type that is there already"));
        assertThat(reading.notUnderstood()).singleElement().satisfies(missed -> {
            assertThat(missed.line()).isEqualTo(3);
            assertThat(missed.reason()).isEqualTo("a type share is there already");
        });
    }

    private static DomainDefinition domain(String script) {
        Reading reading = ScriptReader.read(script, Target.POSTGRESQL);
        assertThat(reading.notUnderstood()).isEmpty();
        return Optional.of(reading.schema().types()).map(List::getFirst).map(DomainDefinition.class::cast)
                .orElseThrow();
    }
}
