package entaxis.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import entaxis.core.change.AttributeAspect;
import entaxis.core.change.Change;
import entaxis.core.change.Editor;
import entaxis.core.change.Outcome.Applied;
import entaxis.core.change.RelationshipAspect;
import entaxis.core.design.Attribute;
import entaxis.core.design.AttributeId;
import entaxis.core.design.Cardinality;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.Elements;
import entaxis.core.design.EntityId;
import entaxis.core.design.KeyPart;
import entaxis.core.design.OpaqueId;
import entaxis.core.design.OpaqueProgram;
import entaxis.core.design.OpaqueSequence;
import entaxis.core.design.Place;
import entaxis.core.design.Partitions;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.RowId;
import entaxis.core.design.SampleRow;
import entaxis.core.design.SheetId;
import entaxis.core.design.Side;
import entaxis.core.random.RandomDesigns;
import entaxis.core.schema.ProgramKind;
import entaxis.core.targets.Target;
import entaxis.core.expression.Expression;
import entaxis.core.schema.PartitionBound;
import entaxis.core.schema.Partitioning;
import entaxis.core.type.SqlType;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class DesignJsonTest {
    private static final EntityId ENTITY = new EntityId("e1");
    private static final RelationshipId RELATIONSHIP = new RelationshipId("r1");
    private static final AttributeId ATTRIBUTE = new AttributeId("a1");

    @Test
    void aDesignComesBackEqual() {
        for (int seed = 0; seed < 50; seed++) {
            Design design = RandomDesigns.design(seed, 12);
            assertThat(DesignJson.readDesign(DesignJson.write(design))).isEqualTo(design);
        }
    }

    /** A design that was saved before there was anything to carry along. */
    @Test
    void whatAnEarlierVersionDidNotKnowIsEmpty() {
        Design design = RandomDesigns.design(3, 5).withCarried(Elements.none());
        String json = DesignJson.write(design);
        assertThat(json).contains(",\"carried\":[]");
        assertThat(DesignJson.readDesign(json.replace(",\"carried\":[]", ""))).isEqualTo(design);
    }

    static Stream<Change> changes() {
        return Stream.of(
                new Change.SetPartitions(ENTITY, Optional.of(new Partitions(
                        new Partitions.Split(Partitioning.Method.RANGE, List.of("day", "n % 4")), List.of(
                        new Partitions.Partition("old", "", new PartitionBound.Range(
                                List.of(Expression.of("MINVALUE")), List.of(Expression.of("'2024-01-01'"))),
                                Optional.of(new Partitions.Split(Partitioning.Method.HASH, List.of("n")))),
                        new Partitions.Partition("some", "old", new PartitionBound.Remainder(2, 1), Optional.empty()),
                        new Partitions.Partition("few", "", new PartitionBound.Values(List.of(Expression.of("1"))),
                                Optional.empty()),
                        new Partitions.Partition("rest", "", new PartitionBound.Default(), Optional.empty()))))),
                new Change.RenameEntity(ENTITY, "<b>\"'\n漢字"),
                new Change.AssignArea(ENTITY, Optional.empty()),
                new Change.AddAttributes(ENTITY,
                        List.of(new Change.NewAttribute(
                                Attribute.of(ATTRIBUTE, "x", SqlType.varchar(3)).withDefault(Optional.of("'a'")), true,
                                false))),
                new Change.AlterAttribute(RELATIONSHIP, ATTRIBUTE, new AttributeAspect.Check(Optional.of("x > 0"))),
                new Change.SetKeys(ENTITY, new KeyPart.InheritedPart(RELATIONSHIP), OptionalInt.of(2), Set.of(1, 3)),
                new Change.AlterRelationship(RELATIONSHIP,
                        new RelationshipAspect.HowMany(Side.SECOND, Cardinality.ONE_OR_MORE)),
                new Change.AlterRelationship(RELATIONSHIP,
                        new RelationshipAspect.ColumnName(Side.FIRST,
                                ColumnPath.own(ATTRIBUTE).over(RELATIONSHIP, Side.SECOND), "c")),
                new Change.PlaceCards(new SheetId("p1"),
                        Map.of(ENTITY, new Place(1, -2), RELATIONSHIP, new Place(3, 4))),
                new Change.PutOpaque(new OpaqueProgram(new OpaqueId("v1"), ProgramKind.TRIGGER, "depot", "weigh",
                        Target.SQLITE, "CREATE TRIGGER weigh ...\nEND")),
                new Change.PutOpaque(new OpaqueSequence(new OpaqueId("v2"), "", "lots", 5, -10)),
                new Change.RemoveOpaque(new OpaqueId("v1")),
                new Change.AddRow(new SampleRow(new RowId("w1"), ENTITY, Map.of(ColumnPath.own(ATTRIBUTE), "v"))));
    }

    @ParameterizedTest
    @MethodSource("changes")
    void aChangeComesBackEqual(Change change) {
        assertThat(DesignJson.readChange(DesignJson.write(change))).isEqualTo(change);
    }

    @Test
    void theInverseOfADeletionComesBackEqual() {
        Design design = RandomDesigns.design(7, 12);
        Applied applied =
                (Applied) Editor.apply(design, new Change.RemoveEntity(design.entities().list().getFirst().id()));
        assertThat(DesignJson.readPatch(DesignJson.write(applied.inverse()))).isEqualTo(applied.inverse());
        assertThat(((Applied) Editor.apply(applied.design(), DesignJson.readPatch(DesignJson.write(applied.inverse()))))
                .design()).isEqualTo(design);
    }

    /** Written by the first version, before designs had types, categories, several sheets and indexes of their own. */
    @Test
    void whatTheFirstVersionKeptIsReadAndReplayed() throws IOException {
        Design design = DesignJson.readDesign(first("design.json"));
        for (String line : first("changes.jsonl").lines().toList()) {
            design = ((Applied) Editor.apply(design, DesignJson.readChange(line))).design();
        }
        assertThat(design).isEqualTo(DesignJson.readDesign(first("after.json")));
        assertThat(DesignJson.readDesign(DesignJson.write(design))).isEqualTo(design);
    }

    private static String first(String name) throws IOException {
        try (InputStream in = DesignJsonTest.class.getResourceAsStream("first/" + name)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    @Test
    void unreadableTextIsReportedAndNotHalfRead() {
        assertThatThrownBy(() -> DesignJson.readDesign("{\"facts\":")).isInstanceOf(UnreadableJson.class);
        assertThatThrownBy(
                () -> DesignJson.readChange("{\"is\":\"RenameEntity\",\"entity\":\"nonsense!\",\"name\":\"x\"}"))
                .isInstanceOf(UnreadableJson.class).hasMessageContaining("nonsense!");
        assertThatThrownBy(() -> DesignJson.readChange("[".repeat(100_000))).isInstanceOf(UnreadableJson.class);
    }
}
