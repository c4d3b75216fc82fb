package entaxis.core.review;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.change.Change;
import entaxis.core.change.Editor;
import entaxis.core.change.Outcome.Applied;
import entaxis.core.change.RelationshipAspect;
import entaxis.core.derive.Derivation;
import entaxis.core.design.Attribute;
import entaxis.core.design.Cardinality;
import entaxis.core.design.Category;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.End;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Index.IndexPart;
import entaxis.core.design.Index;
import entaxis.core.design.KeyPart.OwnPart;
import entaxis.core.design.KeyPart;
import entaxis.core.design.Member;
import entaxis.core.design.Naming;
import entaxis.core.design.OpaqueId;
import entaxis.core.design.OpaqueProgram;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.RowId;
import entaxis.core.design.SampleRow;
import entaxis.core.design.Side;
import entaxis.core.design.StatedDependencies.Stated;
import entaxis.core.design.StatedDependencies;
import entaxis.core.schema.ProgramKind;
import entaxis.core.schema.ReferentialAction;
import entaxis.core.small.Small;
import entaxis.core.sql.Dialect;
import entaxis.core.targets.Target;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * For each rule a design in which it speaks and one beside it in which it must not; each remedy ends what it remedies
 * and makes nothing worse.
 */
class RulesTest {
    private static final Cardinality ONE = Cardinality.EXACTLY_ONE;
    private static final Cardinality MANY = Cardinality.ZERO_OR_MORE;

    private record Case(String rule, Supplier<Design> speaks, Supplier<Design> silent) {
        @Override
        public String toString() {
            return rule;
        }
    }

    private static Case of(String rule, Supplier<Small> speaks, Supplier<Small> silent) {
        return new Case(rule, () -> speaks.get().design(), () -> silent.get().design());
    }

    private static List<Finding> findings(Design design) {
        return Review
                .of(new Reviewed(design, Derivation.of(design), Dialect.of(design.facts().target())), Policy.DEFAULT)
                .findings();
    }

    private static Small two() {
        return new Small().entity("Collector", "collector_no integer primary key", "full_label varchar(80) not null")
                .entity("Trip", "trip_no integer primary key", "left_on date not null");
    }

    private static Small one(String... lines) {
        return new Small().entity("Jar", lines);
    }

    private static Small numbered(String name) {
        return new Small().entity(name, "jar_id integer generated always as identity primary key",
                "label varchar(9) not null");
    }

    private static Small joined(String verb, Cardinality parent, String back, Cardinality child) {
        return two().relate("Collector", verb, parent, "Trip", back, child, false);
    }

    /** As scripts may have it; the editor refuses it where the reference is required. */
    private static Design emptied(Cardinality parent) {
        Design design = joined("leads", parent, "is led by", MANY).design();
        return design.with(design.relationships().list().getFirst().acting(ReferentialAction.SET_NULL,
                ReferentialAction.NO_ACTION));
    }

    private static Small row(Small small, String entity, String... values) {
        Map<ColumnPath, String> row = new HashMap<>();
        for (int i = 0; i < values.length; i += 2) {
            row.put(ColumnPath.own(small.attribute(entity, values[i])), values[i + 1]);
        }
        return small.done(new Change.AddRow(
                new SampleRow(new RowId("w" + (small.design().rows().size() + 1)), small.id(entity), row)));
    }

    private static Small unique(Small small, String entity, String... parts) {
        for (String part : parts) {
            KeyPart own = new OwnPart(small.attribute(entity, part));
            int rank = small.find(entity).primaryKey().indexOf(own) + 1;
            int number = small.find(entity).alternateKeys().stream().anyMatch(key -> key.parts().contains(own)) ? 2 : 1;
            small.done(new Change.SetKeys(small.id(entity), own, rank > 0 ? OptionalInt.of(rank) : OptionalInt.empty(),
                    Set.of(number)));
        }
        return small;
    }

    private static Small indexed(Small small, String entity, String... lists) {
        return small.done(new Change.SetIndexes(small.id(entity),
                Stream.of(lists).map(list -> new Index("", false, Stream.of(list.split(" "))
                .map(name -> new IndexPart(new OwnPart(small.attribute(entity, name)), false)).toList())).toList()));
    }

    private static Small stating(Small small, String entity, String determinant, String dependent) {
        return small.done(new Change.StateDependencies(new StatedDependencies(small.id(entity),
                List.of(new Stated(false, List.of(ColumnPath.own(small.attribute(entity, determinant))),
                List.of(ColumnPath.own(small.attribute(entity, dependent))))), List.of(), List.of())));
    }

    private static Small ring(Cardinality last) {
        return two().entity("Permit", "permit_no integer primary key")
                .relate("Collector", "leads", ONE, "Trip", "is led by", MANY, false)
                .relate("Trip", "needs", ONE, "Permit", "is for", MANY, false)
                .relate("Permit", "names", last, "Collector", "is named in", MANY, false);
    }

    private static Small chain(int length, ReferentialAction action) {
        Small small = new Small();
        for (int i = 0; i <= length; i++) {
            small.entity("Part " + (char) ('a' + i), "part_" + (char) ('a' + i) + " integer primary key");
        }
        for (int i = 0; i < length; i++) {
            small.relate("Part " + (char) ('a' + i), "holds", ONE, "Part " + (char) ('b' + i), "is in", MANY, false)
                    .done(new Change.AlterRelationship(new RelationshipId("r" + (i + 1)),
                            new RelationshipAspect.OnDelete(action)));
        }
        return small;
    }

    static Stream<Case> cases() {
        return Stream.of(keys(), relationships(), values(), names(), others(), conditions(), engines(), facts())
                .flatMap(some -> some);
    }

    private static Stream<Case> conditions() {
        return Stream.of(
                of("check-never",
                        () -> one("jar_no integer primary key",
                                "weight integer not null check (weight > 5 and weight < 6)"),
                        () -> one("jar_no integer primary key",
                                "weight integer not null check (weight > 5 and weight < 7)")),
                of("check-never", () -> one("jar_no integer primary key", "shelf smallint check (shelf > 40000)"),
                        () -> one("jar_no integer primary key", "shelf integer check (shelf > 40000)")),
                of("check-never",
                        () -> one("jar_no integer primary key",
                                "colour varchar(9) not null check (colour in ('red', 'green') and colour = 'blue')"),
                        () -> one("jar_no integer primary key",
                                "colour varchar(9) not null check (colour in ('red', 'green') and colour = 'RED')")),
                of("check-never",
                        () -> one("jar_no integer primary key",
                                "filled_on date check (filled_on between '2031-05-02' and '2031-05-01')"),
                        () -> one("jar_no integer primary key",
                                "filled_on date check (filled_on between '2031-05-01' and '2031-05-01')")),
                of("check-always", () -> one("jar_no integer primary key", "shelf smallint check (shelf < 40000)"),
                        () -> one("jar_no integer primary key", "shelf integer check (shelf < 40000)")),
                of("check-always",
                        () -> one("jar_no integer primary key", "weight integer not null check (weight is not null)"),
                        () -> one("jar_no integer primary key", "weight integer check (weight is not null)")),
                of("default-unfit",
                        () -> one("jar_no integer primary key", "weight integer default 3 check (weight > 5)"),
                        () -> one("jar_no integer primary key", "weight integer default 7 check (weight > 5)")),
                of("row-breaks-rule",
                        () -> row(one("jar_no integer primary key", "colour varchar(9) check (colour like 'r%')"),
                                "Jar", "jar_no", "1", "colour", "green"),
                        () -> row(one("jar_no integer primary key", "colour varchar(9) check (colour like 'r%')"),
                                "Jar", "jar_no", "1", "colour", "red")));
    }

    private static Stream<Case> engines() {
        return Stream.of(
                of("key-order", () -> twoParents(true), () -> twoParents(false)),
                of("set-default-missing",
                        () -> deleting(joined("leads", Cardinality.ZERO_OR_ONE, "is led by", MANY),
                                ReferentialAction.SET_DEFAULT),
                        () -> deleting(joined("leads", Cardinality.ZERO_OR_ONE, "is led by", MANY),
                                ReferentialAction.SET_NULL)),
                of("cascade-paths",
                        () -> triangle().done(new Change.SetFacts(two().design().facts().on(Target.SQLSERVER))),
                        RulesTest::triangle),
                of("second-way", RulesTest::triangle, () -> chain(2, ReferentialAction.CASCADE)),
                of("type-loses", () -> one("jar_no integer primary key", "photo varbinary(10)"),
                        () -> one("jar_no integer primary key", "photo blob")),
                of("text-in-index",
                        () -> unique(one("jar_no integer primary key", "label text not null"), "Jar", "label")
                                .done(onMySql(two())),
                        () -> unique(one("jar_no integer primary key", "label varchar(9) not null"), "Jar", "label")
                                .done(onMySql(two()))),
                new Case("names-collide", () -> twoLabels(Target.MYSQL), () -> twoLabels(Target.POSTGRESQL)),
                of("name-gone",
                        () -> viewed("select j.jar_no, j.colour from jar j join shelf s on s.shelf_no = j.shelf_no"),
                        () -> viewed(
                                "with few as (select jar_no from jar) select f.jar_no, extract(year from current_date) "
                                        + "from few f, public.other o")),
                of("name-gone", () -> viewed("select j.colour from jar as j"),
                        () -> viewed("select j.jar_no from jar as j")));
    }

    private static Stream<Case> facts() {
        return Stream.of(
                of("fact-twice", () -> homes("home_town varchar(40)"), () -> homes("birth_town varchar(40)")),
                of("fact-twice", () -> homes("home_town varchar(40)"),
                        () -> homes("changed_at timestamp with time zone")),
                of("fact-twice", () -> homes("collector_mail varchar(40)"), () -> homes("mail varchar(40)")),
                of("table-is-join", () -> joining("shelf_no integer", "room_no integer"),
                        () -> joining("shelf_no integer", "owner_no integer")),
                of("rows-refute", () -> stating(shelves("1", "2", "2"), "Jar", "shelf", "room"),
                        () -> stating(shelves("1", "1", "2"), "Jar", "shelf", "room")),
                of("dependencies-unstated", () -> shelves("1", "1", "1", "2", "2"),
                        () -> stating(shelves("1", "1", "1", "2", "2"), "Jar", "shelf", "room")),
                of("lens-differs", () -> CategoryDesigns.kinds(two(), Category.Mapping.ONE_PER_KIND),
                        () -> CategoryDesigns.kinds(two(), Category.Mapping.ONE_FOR_ALL)),
                of("lens-differs", () -> CategoryDesigns.boats(two(), ONE),
                        () -> CategoryDesigns.boats(two(), Cardinality.ZERO_OR_ONE)),
                of("lens-differs",
                        () -> two().relate("Collector", "leads", ONE, "Trip", "is led by", new Cardinality(0, 5),
                                false),
                        () -> two().relate("Collector", "leads", ONE, "Trip", "is led by", MANY, false)));
    }

    /** A trip whose key is made of both its parents, or of one of them. */
    private static Small twoParents(boolean both) {
        return two().entity("Jar", "jar_no integer primary key")
                .relate("Collector", "leads", ONE, "Trip", "is led by", MANY, true)
                .relate("Jar", "fills", ONE, "Trip", "is filled by", MANY, both);
    }

    /** As a script may have it; the editor refuses two names that differ in case alone. */
    private static Design twoLabels(Target target) {
        Design design = one("jar_no integer primary key", "first varchar(9)", "second varchar(9)").design();
        Entity jar = design.entities().list().getFirst();
        List<Member> named =
                jar.members().stream().map(member -> member instanceof Attribute own && !own.name().equals("jar_no")
                ? own.named(own.name().equals("first") ? "Label" : "label") : member).toList();
        return design.with(jar.withMembers(named)).with(design.facts().on(target)
                        .naming(new Naming(Naming.Grammar.AS_TYPED, Naming.Grammar.AS_TYPED, Naming.Letters.AS_NAMED,
                "_", "", Map.of())));
    }

    private static Small deleting(Small small, ReferentialAction action) {
        return small
                .done(new Change.AlterRelationship(new RelationshipId("r1"), new RelationshipAspect.OnDelete(action)));
    }

    /** Part a holds b and c, b holds c too; all carry deletions on. */
    private static Small triangle() {
        return chain(2, ReferentialAction.CASCADE).relate("Part a", "keeps", ONE, "Part c", "is kept by", MANY, false)
                .done(new Change.AlterRelationship(new RelationshipId("r3"),
                        new RelationshipAspect.OnDelete(ReferentialAction.CASCADE)));
    }

    private static Small viewed(String query) {
        return one("jar_no integer primary key", "shelf_no integer")
                .done(new Change.PutOpaque(new OpaqueProgram(new OpaqueId("v1"), ProgramKind.VIEW, "",
                "seen", Target.POSTGRESQL, "CREATE VIEW seen AS " + query)));
    }

    private static Small homes(String ofTrip) {
        return new Small().entity("Collector", "collector_no integer primary key", "home_town varchar(40)")
                .entity("Trip", "trip_no integer primary key", ofTrip)
                .relate("Collector", "leads", ONE, "Trip", "is led by", MANY, false);
    }

    private static Small joining(String... last) {
        return new Small().entity("Place", "jar_no integer primary key", "shelf_no integer")
                .entity("Room", "shelf_no integer primary key", "room_no integer")
                .entity("Both", "jar_no integer", last[0], last[1]);
    }

    /** Jars on shelf 1, then one on shelf 9, each in a room. */
    private static Small shelves(String... rooms) {
        Small small = one("jar_no integer primary key", "shelf integer", "room integer");
        for (int i = 0; i < rooms.length; i++) {
            row(small, "Jar", "jar_no", "" + i, "shelf",
                    rooms.length > 3 && i > 2 ? "9"
                            : i == rooms.length - 1 && rooms.length == 3 && rooms[1].equals("1") ? "9" : "1",
                    "room", rooms[i]);
        }
        return small;
    }

    private static Stream<Case> keys() {
        return Stream.of(
                of("no-primary-key", () -> one("weight integer"), () -> one("jar_no integer primary key")),
                of("no-primary-key", () -> one(), () -> one("jar_no integer primary key")),
                of("optional-in-key",
                        () -> unique(one("jar_no integer primary key", "label varchar(9)"), "Jar", "label"),
                        () -> unique(one("jar_no integer primary key", "label varchar(9) not null"), "Jar", "label")),
                of("surrogate-alone", () -> numbered("Jar"), () -> unique(numbered("Jar"), "Jar", "label")),
                of("surrogate-alone", () -> numbered("Jar log").relate("Jar log", "corrects", Cardinality.ZERO_OR_ONE,
                        "Jar log", "is corrected by", MANY, false), () -> numbered("Jar log")),
                of("redundant-key",
                        () -> unique(one("jar_no integer primary key", "label varchar(9) not null"), "Jar", "jar_no",
                                "label"),
                        () -> unique(one("jar_no integer primary key", "label varchar(9) not null"), "Jar", "label")),
                of("inexact-key", () -> one("weight real primary key"), () -> one("weight numeric(9) primary key")),
                of("inexact-key", () -> one("label text primary key").done(onMySql(two())),
                        () -> one("label text primary key")),
                of("inexact-key", () -> one("filled_at timestamp with time zone primary key"),
                        () -> one("filled_on date primary key")));
    }

    private static Stream<Case> relationships() {
        return Stream.of(
                of("unconnected",
                        () -> one("jar_no integer primary key").entity("B", "b integer").entity("C", "c integer")
                                .entity("D", "d integer").entity("E", "e integer").entity("F", "f integer"),
                        () -> one("jar_no integer primary key")),
                of("unconnected", () -> two(), () -> joined("leads", ONE, "is led by", MANY)),
                of("reference-by-name", () -> two().entity("Jar", "jar_no integer primary key", "collector_no integer"),
                        () -> two().entity("Jar", "jar_no integer primary key", "collector_no varchar(9)")),
                of("roles-missing",
                        () -> joined("has", ONE, "belongs to", MANY).relate("Collector", "has", ONE, "Trip",
                                "belongs to", MANY, false),
                        () -> joined("has", ONE, "belongs to", MANY).relate("Collector", "has", ONE, "recorder", "Trip",
                                "belongs to", MANY, false)),
                of("roles-missing",
                        () -> joined("leads", ONE, "is led by", MANY).relate("Collector", "records", ONE, "Trip",
                                "is recorded by", MANY, false),
                        () -> joined("leads", ONE, "is led by", MANY)),
                of("verb-missing", () -> joined(End.HAS, ONE, End.BELONGS_TO, MANY),
                        () -> joined("leads", ONE, "is led by", MANY)),
                of("mandatory-cycle", () -> ring(ONE), () -> ring(Cardinality.ZERO_OR_ONE)),
                of("mandatory-recursion",
                        () -> two().relate("Collector", "teaches", ONE, "Collector", "learns from", MANY, false),
                        () -> two().relate("Collector", "teaches", Cardinality.ZERO_OR_ONE, "Collector", "learns from",
                                MANY, false)),
                of("one-to-one-both", () -> joined("makes", ONE, "is made by", ONE),
                        () -> joined("makes", ONE, "is made by", Cardinality.ZERO_OR_ONE)),
                of("minimum-not-held", () -> joined("makes", ONE, "is made by", Cardinality.ONE_OR_MORE),
                        () -> joined("makes", ONE, "is made by", MANY)),
                new Case("set-null-required", () -> emptied(ONE), () -> emptied(Cardinality.ZERO_OR_ONE)),
                of("cascade-reach", () -> chain(3, ReferentialAction.CASCADE),
                        () -> chain(2, ReferentialAction.CASCADE)),
                of("cascade-reach", () -> chain(4, ReferentialAction.CASCADE),
                        () -> chain(4, ReferentialAction.NO_ACTION)));
    }

    private static Stream<Case> values() {
        return Stream.of(
                of("number-for-code", () -> one("jar_no integer primary key", "phone bigint"),
                        () -> one("jar_no integer primary key", "phone varchar(20)")),
                of("number-for-code", () -> one("jar_no integer primary key", "postal_code integer"),
                        () -> one("jar_no integer primary key", "phone smallint")),
                of("number-for-code", () -> one("jar_no integer primary key", "serial_no integer"),
                        () -> one("jar_no integer primary key", "zone_serial integer")),
                of("inexact-money", () -> one("jar_no integer primary key", "unit_price real"),
                        () -> one("jar_no integer primary key", "unit_price numeric(9,2)")),
                of("moment-without-zone", () -> one("jar_no integer primary key", "filled_at timestamp"),
                        () -> one("jar_no integer primary key", "filled_at timestamp with time zone")),
                of("fixed-for-varying", () -> one("jar_no integer primary key", "street char(40)"),
                        () -> one("jar_no integer primary key", "street varchar(40)")),
                of("varying-for-fixed", () -> one("jar_no integer primary key", "country_code varchar(2)"),
                        () -> one("jar_no integer primary key", "country_code char(2)")),
                of("same-name-other-type",
                        () -> two().entity("Jar", "jar_no integer primary key", "left_on timestamp with time zone"),
                        () -> two().entity("Jar", "jar_no integer primary key", "left_on date")),
                of("default-unfit", () -> one("jar_no integer primary key", "colour varchar(3) default 'green'"),
                        () -> one("jar_no integer primary key", "colour varchar(5) default 'green'")),
                of("default-unfit", () -> one("jar_no integer primary key", "weight smallint default 40000"),
                        () -> one("jar_no integer primary key", "weight smallint default 32767")),
                of("default-unfit", () -> one("jar_no integer primary key", "weight numeric(4,2) default 100"),
                        () -> one("jar_no integer primary key", "weight numeric(4,2) default 99.99")),
                of("default-unfit", () -> one("jar_no integer primary key", "filled_on date default '2031-02-30'"),
                        () -> one("jar_no integer primary key", "filled_on date default current_date")));
    }

    private static Stream<Case> names() {
        return Stream.of(
                of("reserved-word", () -> one("jar_no integer primary key", "user varchar(9)"),
                        () -> one("jar_no integer primary key", "keeper varchar(9)")),
                of("name-too-long", () -> one("jar_no integer primary key", "a".repeat(64) + " integer"),
                        () -> one("jar_no integer primary key", "a".repeat(63) + " integer")),
                of("singular-plural", () -> two().entity("Jars", "jar_no integer primary key"),
                        () -> two().entity("Jar", "jar_no integer primary key")),
                of("word-variants", () -> two().entity("Jar", "jar_no integer primary key", "collecter varchar(9)"),
                        () -> two().entity("Jar", "jar_no integer primary key", "collectors varchar(9)")),
                of("word-variants",
                        () -> one("jar_no integer primary key", "home_addr varchar(9)", "work_address varchar(9)"),
                        () -> one("jar_no integer primary key", "content varchar(9)", "context varchar(9)")),
                of("policy", () -> one("jar_no integer primary key", "\"Full Label\" varchar(9)"),
                        () -> one("jar_no integer primary key", "full_label varchar(9)")));
    }

    private static Stream<Case> others() {
        Supplier<Small> jar = () -> one("jar_no integer primary key", "label varchar(5) not null");
        return Stream.of(
                of("below-third",
                        () -> stating(one("jar_no integer primary key", "shelf integer", "room integer"), "Jar",
                                "shelf", "room"),
                        () -> stating(one("jar_no integer primary key", "shelf integer", "room integer"), "Jar",
                                "jar_no", "room")),
                of("not-first-form",
                        () -> one("jar_no integer primary key", "phone_1 varchar(9)", "phone_2 varchar(9)"),
                        () -> one("jar_no integer primary key", "phone varchar(9)")),
                of("row-breaks-rule", () -> row(jar.get(), "Jar", "jar_no", "1"),
                        () -> row(jar.get(), "Jar", "jar_no", "1", "label", "green")),
                of("row-breaks-rule", () -> row(jar.get(), "Jar", "jar_no", "x", "label", "a"),
                        () -> row(jar.get(), "Jar", "jar_no", "7", "label", "a")),
                of("row-breaks-rule", () -> row(jar.get(), "Jar", "jar_no", "1", "label", "yellow"),
                        () -> row(jar.get(), "Jar", "jar_no", "1", "label", "black")),
                of("row-breaks-rule",
                        () -> row(row(jar.get(), "Jar", "jar_no", "1", "label", "a"), "Jar", "jar_no", "1", "label",
                                "b"),
                        () -> row(row(jar.get(), "Jar", "jar_no", "1", "label", "a"), "Jar", "jar_no", "2", "label",
                                "b")),
                of("row-breaks-rule", () -> orphan("8"), () -> orphan("7")),
                of("reference-without-index", () -> joined("leads", ONE, "is led by", MANY),
                        () -> joined("leads", ONE, "is led by", MANY).done(onMySql(two()))),
                of("index-twice", () -> indexed(jar.get(), "Jar", "label", "label jar_no"),
                        () -> indexed(jar.get(), "Jar", "label jar_no")),
                of("index-twice", () -> indexed(jar.get(), "Jar", "jar_no"), () -> indexed(jar.get(), "Jar", "label")),
                of("not-agreed", () -> joined("leads", ONE, "is led by", MANY),
                        () -> agreed(joined("leads", ONE, "is led by", MANY))),
                of("meaning-missing", () -> one("jar_no integer primary key"),
                        () -> one("jar_no integer primary key -- painted on the lid")
                        .done(new Change.DescribeEntity(new EntityId("e1"), "a jar"))));
    }

    private static Change onMySql(Small small) {
        return new Change.SetFacts(small.design().facts().on(Target.MYSQL));
    }

    private static Small orphan(String collector) {
        Small small = row(joined("leads", ONE, "is led by", MANY), "Collector", "collector_no", "7", "full_label", "a");
        Map<ColumnPath, String> trip = new HashMap<>();
        trip.put(ColumnPath.own(small.attribute("Trip", "trip_no")), "1");
        trip.put(ColumnPath.own(small.attribute("Trip", "left_on")), "2031-05-01");
        trip.put(
                ColumnPath.own(small.attribute("Collector", "collector_no")).over(new RelationshipId("r1"), Side.FIRST),
                collector);
        return small.done(new Change.AddRow(new SampleRow(new RowId("w9"), small.id("Trip"), trip)));
    }

    private static Small agreed(Small small) {
        for (Side side : Side.values()) {
            String sentence = entaxis.core.sentence.Sentence
                    .of(small.design(), small.design().relationships().list().getFirst(), side).text();
            small.done(new Change.AlterRelationship(new RelationshipId("r1"),
                    new RelationshipAspect.Agreed(side, sentence)));
        }
        return small;
    }

    @ParameterizedTest
    @MethodSource("cases")
    void aRuleSpeaksWhereItShouldAndNowhereElse(Case one) {
        assertThat(findings(one.speaks().get())).extracting(Finding::rule).contains(one.rule());
        assertThat(findings(one.silent().get())).extracting(Finding::rule).doesNotContain(one.rule());
    }

    @ParameterizedTest
    @MethodSource("cases")
    void eachRemedyEndsWhatItRemedies(Case one) {
        Design design = one.speaks().get();
        List<Finding> before = findings(design);
        Finding finding = before.stream().filter(found -> found.rule().equals(one.rule())).findFirst().orElseThrow();
        for (SuggestedChange remedy : finding.remedies()) {
            assertThat(Editor.apply(design, remedy.change())).as(remedy.words()).isInstanceOf(Applied.class);
            Applied applied = (Applied) Editor.apply(design, remedy.change());
            List<Finding> after = findings(applied.design());
            assertThat(after).as(remedy.words()).extracting(Finding::key).doesNotContain(finding.key());
            assertThat(faults(after)).as("faults after “%s”", remedy.words()).isLessThanOrEqualTo(faults(before));
            assertThat(((Applied) Editor.apply(applied.design(), applied.inverse())).design()).as("undone")
                    .isEqualTo(design);
        }
    }

    private static long faults(List<Finding> findings) {
        return findings.stream().filter(finding -> finding.level() == Level.FAULT).count();
    }

    @Test
    void everyRuleHasACaseAndAName() {
        Set<String> tried = new java.util.TreeSet<>(cases().map(Case::rule).toList());
        assertThat(Rules.ALL).extracting(rule -> rule.info().id()).doesNotHaveDuplicates();
        // what no sheet shows cannot be made by the edits of a small design
        assertThat(Rules.ALL).extracting(rule -> rule.info().id()).filteredOn(id -> !tried.contains(id))
                .containsExactlyInAnyOrder("on-no-sheet");
    }
}
