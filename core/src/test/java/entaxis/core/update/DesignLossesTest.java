package entaxis.core.update;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.design.DesignProperties;
import entaxis.core.design.Paper;
import entaxis.core.design.Sheet;
import entaxis.core.design.SheetId;
import entaxis.core.derive.Derivation;
import entaxis.core.reading.ScriptReader;
import entaxis.core.reconcile.EngineSchema;
import entaxis.core.reverse.ReverseEngineering;
import entaxis.core.reverse.ReversedDesign;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.IsoNormalizer;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.targets.Target;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;

class DesignLossesTest {
    private int fresh;

    private ReversedDesign reversed(Schema there, Dialect dialect) {
        return ReverseEngineering.reverse(IsoNormalizer.of(there, dialect),
                new DesignProperties("Vault", dialect.target(), "", ""),
                new Sheet(new SheetId("p1"), "Sheet", Paper.DEFAULT, Map.of()), Set.of(),
                letter -> letter + "" + ++fresh);
    }

    private List<String> told(String script, Target engine) {
        Dialect dialect = Dialect.of(engine);
        Schema there = EngineSchema.of(ScriptReader.read(script, engine).schema(), engine, dialect);
        ReversedDesign reversed = reversed(there, dialect);
        List<String> told = new ArrayList<>(reversed.remarks());
        told.addAll(DesignLosses.of(reversed, there, dialect));
        return told;
    }

    @Test
    void whatADesignDoesNotHoldIsTold() {
        assertThat(told("""
                create table lot (lot_no integer primary key, address inet, other inet, flags bit(8));
                create table jar (jar_no integer primary key, lot_no bigint default 1 references lot deferrable);
                comment on column jar.lot_no is 'where it is from';
                create index ix_lot on lot (flags desc nulls last) include (address);
                """, Target.POSTGRESQL))
                .anyMatch(told -> told.startsWith("inet becomes ") && told.endsWith(": lot.address, lot.other."))
                .anyMatch(told -> told.startsWith("bit(8) becomes "))
                .anyMatch(told -> told.equals("bigint becomes integer: jar.lot_no."))
                .anyMatch(told -> told.startsWith("The comments of columns that come with a reference"))
                .anyMatch(told -> told.startsWith("A default of a column"))
                .anyMatch(told -> told.contains("foreign key"))
                .anyMatch(told -> told.contains("ix_lot"));
    }

    @Test
    void whereNothingIsLostNothingIsTold() {
        assertThat(told("create table lot (lot_no integer not null, name varchar(20) default 'x', "
                + "constraint pk_lot primary key (lot_no));", Target.H2)).isEmpty();
        assertThat(told("create table taxon (taxon_id integer primary key, name varchar(120) not null unique);"
                + "create table trip (trip_id integer primary key); create table sighting (taxon_id integer references "
                + "taxon, trip_id integer references trip, primary key (taxon_id, trip_id));", Target.POSTGRESQL))
                .isEmpty();
    }

    /** A number from a sequence is asked for in the words of the engine, or left out where there are none. */
    @Test
    void defaultsTakeNumbersFromSequences() {
        Dialect postgresql = Dialect.of(Target.POSTGRESQL);
        Schema there = EngineSchema.of(ScriptReader.read("create sequence \"Lot-numbers\"; create table lot (lot_no "
                + "integer default nextval('\"Lot-numbers\"') primary key);", Target.POSTGRESQL).schema(),
                Target.POSTGRESQL, postgresql);
        Schema derived = Derivation.of(reversed(there, postgresql).design()).schema();
        assertThat(written(derived, Target.POSTGRESQL)).contains("DEFAULT nextval('\"Lot-numbers\"')");
        assertThat(written(derived, Target.ORACLE)).contains("DEFAULT \"Lot-numbers\".nextval");
        assertThat(written(derived, Target.MARIADB)).contains("DEFAULT (next value for `Lot-numbers`)");
        assertThat(written(derived, Target.SQLITE)).doesNotContain("next");
    }

    /** A column that is called like a type is not that type. */
    @Test
    void typesOfCastsAreNoColumns() {
        Dialect postgresql = Dialect.of(Target.POSTGRESQL);
        Schema there =
                EngineSchema.of(ScriptReader.read("create table note (\"Text\" text, kind varchar(9), constraint "
                + "ck_kind check (kind::text <> 'x'::text));", Target.POSTGRESQL).schema(), Target.POSTGRESQL,
                postgresql);
        assertThat(written(Derivation.of(reversed(there, postgresql).design()).schema(), Target.POSTGRESQL))
                .doesNotContain("::\"Text\"");
    }

    private static String written(Schema schema, Target engine) {
        return new ScriptWriter(Dialect.of(engine), ScriptOptions.DEFAULT).write(schema, "derived").text();
    }
}
