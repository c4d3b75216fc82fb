package entaxis.core.update;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import entaxis.core.design.OpaqueObject;
import entaxis.core.random.RandomDesigns;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.targets.Target;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class TypedScriptTest {
    private int next;

    private String id(char kind) {
        return kind + "y" + Integer.toString(++next, 36);
    }

    private static String script(Design design, Target engine) {
        return new ScriptWriter(Dialect.of(engine), ScriptOptions.DEFAULT)
                .write(Derivation.of(design).schema(), "typed").text();
    }

    @ParameterizedTest
    @EnumSource(Target.class)
    void aTextThatWasNotTouchedChangesNothing(Target engine) {
        for (int seed = 0; seed < 25; seed++) {
            Design design = RandomDesigns.design(seed, 3 + seed % 7);
            TypedScript typed = TypedScript.of(design, engine, script(design, engine), this::id);
            assertThat(typed).as("%s %d", engine, seed).isInstanceOf(TypedScript.Followed.class);
            TypedScript.Followed followed = (TypedScript.Followed) typed;
            assertThat(followed.changes()).as("%s %d", engine, seed).isEmpty();
            assertThat(followed.design()).isEqualTo(design);
        }
    }

    @Test
    void whatIsTypedFollows() {
        Design design = RandomDesigns.design(4, 3);
        String text = script(design, Target.POSTGRESQL)
                + "CREATE TABLE bench (\n    id integer PRIMARY KEY,\n    label varchar(9) NOT NULL\n);\n";
        TypedScript.Followed followed =
                (TypedScript.Followed) TypedScript.of(design, Target.POSTGRESQL, text, this::id);
        assertThat(followed.changes()).containsExactly("The table bench is only in the text.");
        assertThat(followed.design().entities().stream().filter(entity -> entity.name().equals("Bench")).findFirst()
                .orElseThrow().attributes()).hasSize(2);
        assertThat(script(followed.design(), Target.POSTGRESQL)).contains("CREATE TABLE bench");
    }

    @Test
    void aNameExchangedInItsPlaceIsANewNameOfTheSame() {
        Design design = RandomDesigns.design(4, 3);
        String text = script(design, Target.POSTGRESQL);
        java.util.regex.Matcher plain = java.util.regex.Pattern
                .compile("\n    (field_\\w+) +(varchar\\(40\\)|bigint|integer|text|date)").matcher(text);
        org.assertj.core.api.Assumptions.assumeThat(plain.find()).isTrue();
        TypedScript.Followed followed = (TypedScript.Followed) TypedScript.of(design, Target.POSTGRESQL,
                text.replace(plain.group(1), plain.group(1) + "_now"), this::id);
        assertThat(followed.changes()).singleElement().asString().contains("calls the column", plain.group(1) + "_now");
        assertThat(script(followed.design(), Target.POSTGRESQL)).contains(plain.group(1) + "_now");
    }

    @Test
    void whatADesignCannotKeepIsTold() {
        Design design = RandomDesigns.design(4, 3);
        String text = script(design, Target.POSTGRESQL)
                + "create table bench (id int primary key);\ncreate view v as select id from bench;\ncreate sequence "
                + "counting;\ninsert into bench values (1);\ngrant select on bench to public;\n";
        TypedScript.Followed followed =
                (TypedScript.Followed) TypedScript.of(design, Target.POSTGRESQL, text, this::id);
        assertThat(followed.design().carried().stream().map(OpaqueObject::name)).contains("v", "counting");
        assertThat(script(followed.design(), Target.POSTGRESQL)).contains("create view v as select id from bench;");
        assertThat(followed.left()).anyMatch(one -> one.contains("The rows of bench"))
                .anyMatch(one -> one.contains("who may use bench"));
    }

    @Test
    void faultsAreToldWithTheirPlaceAndNothingFollows() {
        Design design = RandomDesigns.design(4, 3);
        TypedScript.Faulty faulty = (TypedScript.Faulty) TypedScript.of(design, Target.H2,
                "CREATE TABLE a (x integer);\nCREATE TABEL b (y integer);", this::id);
        assertThat(faulty.faults()).singleElement().satisfies(fault -> assertThat(fault.line()).isEqualTo(2));
        assertThat(TypedScript.of(design, Target.H2, "-- nothing", this::id)).isInstanceOf(TypedScript.Empty.class);
    }
}
