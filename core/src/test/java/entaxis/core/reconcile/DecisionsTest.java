package entaxis.core.reconcile;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.reading.ScriptReader;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import entaxis.core.targets.Target;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

class DecisionsTest {
    private static final Dialect POSTGRESQL = Dialect.of(Target.POSTGRESQL);
    private static final Schema AGREED = read("create table t (id int primary key, a int, note text);");
    private static final Schema HAVE = read("create table t (id int primary key, a bigint, note text);");
    private static final Schema WANT = read("create table t (id int primary key, a int, code char(2) not null);");

    private static Schema read(String script) {
        return EngineSchema.of(ScriptReader.read(script, Target.POSTGRESQL).schema(), Target.POSTGRESQL, POSTGRESQL);
    }

    private static Difference difference(String key) {
        return Comparison.of(HAVE, WANT, POSTGRESQL, RenameMap.NONE).differences().stream()
                .filter(one -> one.key().equals(key)).findFirst().orElseThrow();
    }

    private static Decisions decisions(Optional<Schema> agreed, Map<String, Answer> said, Set<String> meant) {
        return new Decisions(said, meant, ThreeWay.of(agreed, HAVE, WANT, POSTGRESQL, RenameMap.NONE));
    }

    @Test
    void whatNobodyDecidedFollowsFromWhoChangedIt() {
        Decisions decisions = decisions(Optional.of(AGREED), Map.of(), Set.of());
        assertThat(decisions.answer(difference("COLUMN|t|a|TYPE"))).contains(Answer.HAVE);
        assertThat(decisions.takesHave(difference("COLUMN|t|a|TYPE"))).isTrue();
        assertThat(decisions.answer(difference("COLUMN|t|code|PRESENCE"))).contains(Answer.WANTED);
        assertThat(decisions.takesWanted(difference("COLUMN|t|code|PRESENCE"))).isTrue();
        assertThat(decisions(Optional.empty(), Map.of(), Set.of()).answer(difference("COLUMN|t|a|TYPE"))).isEmpty();
    }

    @Test
    void whatLosesDataIsDoneOnlyWhereThatIsMeant() {
        Difference drop = difference("COLUMN|t|note|PRESENCE");
        assertThat(drop.risk()).isEqualTo(Risk.LOSES_DATA);
        assertThat(decisions(Optional.of(AGREED), Map.of(), Set.of()).takesWanted(drop)).isFalse();
        assertThat(decisions(Optional.of(AGREED), Map.of(drop.key(), Answer.WANTED), Set.of()).takesWanted(drop))
                .isFalse();
        assertThat(
                decisions(Optional.of(AGREED), Map.of(drop.key(), Answer.WANTED), Set.of(drop.key())).takesWanted(drop))
                .isTrue();
        assertThat(
                decisions(Optional.of(AGREED), Map.of(drop.key(), Answer.KEEP), Set.of(drop.key())).takesWanted(drop))
                .isFalse();
    }

    @Test
    void onlyARequiredColumnAsksForAValue() {
        assertThat(difference("COLUMN|t|code|PRESENCE").asksForValue()).isTrue();
        assertThat(difference("COLUMN|t|note|PRESENCE").asksForValue()).isFalse();
        assertThat(difference("COLUMN|t|a|TYPE").asksForValue()).isFalse();
    }
}
