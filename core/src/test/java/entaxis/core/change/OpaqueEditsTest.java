package entaxis.core.change;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.change.Outcome.Applied;
import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import entaxis.core.design.OpaqueId;
import entaxis.core.design.OpaqueProgram;
import entaxis.core.design.OpaqueSequence;
import entaxis.core.schema.Program;
import entaxis.core.schema.ProgramKind;
import entaxis.core.small.Small;
import entaxis.core.targets.Target;
import org.junit.jupiter.api.Test;

class OpaqueEditsTest {
    private static final OpaqueId FIRST = new OpaqueId("v1");
    private static final OpaqueId SECOND = new OpaqueId("v2");
    private static final String TEXT = "CREATE VIEW dry AS SELECT 1 AS one";

    private static OpaqueProgram view(OpaqueId id, String name, String text) {
        return new OpaqueProgram(id, ProgramKind.VIEW, "", name, Target.POSTGRESQL, text);
    }

    @Test
    void aViewIsCarriedExchangedAndLeftAgainAndEachStepCanBeTakenBack() {
        Small small = new Small().entity("Taxon", "id integer primary key");
        Design before = small.design();
        small.done(new Change.PutOpaque(view(FIRST, "dry", TEXT)));
        assertThat(Derivation.of(small.design()).schema().programs()).extracting(Program::text).containsExactly(TEXT);
        Applied exchanged = (Applied) Editor.apply(small.design(),
                new Change.PutOpaque(view(FIRST, "dry", TEXT.replace("1", "2"))));
        assertThat(exchanged.design().carried()).hasSize(1);
        assertThat(((Applied) Editor.apply(exchanged.design(), exchanged.inverse())).design())
                .isEqualTo(small.design());
        Applied left = (Applied) Editor.apply(small.design(), new Change.RemoveOpaque(FIRST));
        assertThat(left.design()).isEqualTo(before);
        assertThat(((Applied) Editor.apply(left.design(), left.inverse())).design()).isEqualTo(small.design());
    }

    @Test
    void whatCannotBeCarriedIsRefusedWithTheReason() {
        Small small = new Small().done(new Change.PutOpaque(new OpaqueSequence(FIRST, "", "lots", 1, 1)));
        assertThat(small.refusal(new Change.PutOpaque(new OpaqueSequence(SECOND, "", "lots", 5, 1))))
                .contains("There is a sequence lots already");
        assertThat(small.refusal(new Change.PutOpaque(new OpaqueSequence(SECOND, "", "jars", 5, 0))))
                .contains("needs a step other than 0");
        assertThat(small.refusal(new Change.PutOpaque(view(SECOND, " ", TEXT))))
                .contains("A name has 1 to 200 characters");
        assertThat(small.refusal(new Change.PutOpaque(view(SECOND, "dry", " ")))).contains("is empty");
        assertThat(small.refusal(new Change.RemoveOpaque(SECOND))).contains("no longer there");
        small.done(new Change.PutOpaque(new OpaqueSequence(SECOND, "other", "lots", 5, 1)));
    }

    /** Undo does not overwrite what somebody else has changed since. */
    @Test
    void anOlderStepIsNotTakenBackOverANewerOne() {
        Small small = new Small().done(new Change.PutOpaque(view(FIRST, "dry", TEXT)));
        Applied older =
                (Applied) Editor.apply(small.design(), new Change.PutOpaque(view(FIRST, "dry", TEXT + ", 2 AS two")));
        Applied newer =
                (Applied) Editor.apply(older.design(), new Change.PutOpaque(view(FIRST, "dry", TEXT + ", 3 AS three")));
        assertThat(Editor.apply(newer.design(), older.inverse())).isInstanceOf(Outcome.Refused.class);
    }
}
