package entaxis.core.reconcile;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.reading.ScriptReader;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import entaxis.core.targets.Target;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Differences as sentences, of parts with names and of parts without. */
class DifferenceWordsTest {
    private static final String SITE = "create table site (no integer primary key);";

    private static Schema read(String script, Target engine) {
        return EngineSchema.of(ScriptReader.read(script, engine).schema(), engine, Dialect.of(engine));
    }

    private static List<String> told(Target engine, String from, String to) {
        DifferenceWords words = new DifferenceWords("the script", "the design");
        return Comparison.of(read(from, engine), read(to, engine), Dialect.of(engine), RenameMap.NONE).differences()
                .stream().map(words::sentence).toList();
    }

    @Test
    void partsWithoutANameAreToldByWhatTheySay() {
        String lot = SITE + "create table lot (no integer primary key, code varchar, weight integer, site_no integer";
        assertThat(told(Target.DUCKDB, lot + ");", lot + ", check (weight > 0), unique (code, weight), "
                + "foreign key (site_no) references site (no));"))
                .containsExactlyInAnyOrder("The check (weight > 0) of lot is only in the design.",
                        "The unique key (code, weight) of lot is only in the design.",
                        "The foreign key (site_no) references site (no) of lot is only in the design.");
    }

    @Test
    void partsWithANameAreToldByIt() {
        String lot =
                SITE + "create table lot (no integer primary key, code varchar(9), weight integer, site_no integer";
        String constraints = ", constraint ck_weight check (weight > 0), constraint uq_code unique (code), "
                + "constraint fk_site foreign key (site_no) references site (no));";
        assertThat(told(Target.POSTGRESQL, lot + constraints, lot + ");"))
                .containsExactlyInAnyOrder("The check ck_weight of lot is only in the script.",
                        "The unique key uq_code of lot is only in the script.",
                        "The foreign key fk_site of lot is only in the script.");
        assertThat(told(Target.POSTGRESQL, lot + constraints, lot + constraints.replace("> 0", "> 1")))
                .containsExactly("The check lot.ck_weight differs between the script and the design.");
    }
}
