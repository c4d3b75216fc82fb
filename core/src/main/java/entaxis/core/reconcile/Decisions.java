package entaxis.core.reconcile;

import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What was decided about differences. What nobody decided follows from who changed it: a change of one side only is
 * usually meant. What loses data is done only where that is meant.
 *
 * @param answers   answers by the key of their difference
 * @param lossMeant keys of differences whose loss of values is meant
 */
public record Decisions(Map<String, Answer> answers, Set<String> lossMeant, ThreeWay threeWay) {
    /** Copies the answers. */
    public Decisions {
        answers = Map.copyOf(answers);
        lossMeant = Set.copyOf(lossMeant);
    }

    /** The answer, given or implied; none if that is open. */
    public Optional<Answer> answer(Difference difference) {
        return Optional.ofNullable(answers.get(difference.key())).or(() -> switch (threeWay.origin(difference)) {
            case WANTED -> Optional.of(Answer.WANTED);
            case HAVE -> Optional.of(Answer.HAVE);
            case BOTH, UNKNOWN -> Optional.empty();
        });
    }

    /** Whether the side that would be changed takes the wanted side over. */
    public boolean takesWanted(Difference difference) {
        return answer(difference).equals(Optional.of(Answer.WANTED))
                && (difference.risk() != Risk.LOSES_DATA || lossMeant.contains(difference.key()));
    }

    /** Whether the wanted side is brought up to date. */
    public boolean takesHave(Difference difference) {
        return answer(difference).equals(Optional.of(Answer.HAVE));
    }
}
