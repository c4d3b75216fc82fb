package entaxis.core.reconcile;

import java.util.Locale;

/** Differences as sentences that name both sides. */
public final class DifferenceWords {
    private final String have;
    private final String want;

    /**
     * Sentences about two sides.
     *
     * @param have what the side that would be changed is called, with its article, such as “the database”
     * @param want what the wanted side is called
     */
    public DifferenceWords(String have, String want) {
        this.have = have;
        this.want = want;
    }

    private static String first(String text) {
        return text.substring(0, 1).toUpperCase(Locale.ROOT) + text.substring(1);
    }

    /** A difference as one sentence. */
    public String sentence(Difference difference) {
        String place = difference.part() == SchemaPart.COLUMN || difference.part() == SchemaPart.TABLE
                ? "the " + difference.part().word() + " " + difference.place() : difference.place();
        String word = difference.part().word();
        return first(switch (difference.aspect()) {
            case PRESENCE -> presence(difference);
            case NAME -> have + " calls the " + word + " “" + difference.from() + "”, " + want + " “" + difference.to()
                    + "”.";
            case REQUIRED -> !difference.requires()
                    ? have + " requires a value in " + difference.place() + "; " + want + " allows none."
                    : have + " allows no value in " + difference.place() + "; " + want + " requires one.";
            case DEFAULT -> place + ": " + have + " takes "
                    + (difference.from().isEmpty() ? "nothing" : difference.from()) + " by default, " + want + " "
                    + (difference.to().isEmpty() ? "nothing" : difference.to()) + ".";
            case TYPE ->
                    place + " is " + difference.from() + " in " + have + ", " + difference.to() + " in " + want + ".";
            case IDENTITY -> place + " is " + (difference.from().isEmpty() ? "not numbered" : difference.from())
                    + " in " + have + ", " + (difference.to().isEmpty() ? "not numbered" : difference.to())
                    + " in " + want + ".";
            case COMPUTED ->
                    place + " is " + (difference.from().isEmpty() ? "not computed" : "computed " + difference.from())
                            + " in " + have + ", "
                            + (difference.to().isEmpty() ? "not computed" : "computed " + difference.to()) + " in "
                            + want + ".";
            case ON_CHANGE -> place + " is set to " + (difference.from().isEmpty() ? "nothing" : difference.from())
                    + " at each change in " + have + ", to "
                    + (difference.to().isEmpty() ? "nothing" : difference.to()) + " in " + want + ".";
            case COLLATION -> place + " is sorted as " + difference.from() + " in " + have + ", as " + difference.to()
                    + " in " + want + ".";
            case ORDER -> "the columns of " + place + " stand in another order in " + have + " than in " + want + ".";
            case COMMENT ->
                    difference.from().isEmpty() ? have + " has no comment on " + place + "; " + want + " has one."
                            : difference.to().isEmpty()
                                    ? have + " has a comment on " + place + "; " + want + " has none."
                            : "the comment on " + place + " reads differently.";
            case HIERARCHY -> place + " is " + difference.from() + " in " + have + ", " + difference.to() + " in "
                    + want + ".";
            case PRIVILEGES -> "who may use the " + word + " " + difference.place() + ": in " + have + " "
                    + (difference.from().isEmpty() ? "nobody but its owner" : difference.from()) + ", in "
                    + want + " "
                    + (difference.to().isEmpty() ? "nobody but its owner" : difference.to()) + ".";
            case DEFINITION -> (difference.part() == SchemaPart.PRIMARY_KEY
                    ? "the " + word + " of " + difference.table()
                    : difference.nameless() ? part(difference) : "the " + word + " " + place)
                    + " differs between " + have + " and " + want + ".";
        });
    }

    private static String unnamed(SchemaPart part) {
        return part == SchemaPart.UNIQUE ? "unique" : part.word();
    }

    /** A part of a table by its name, or by what it says where it has none. */
    private static String part(Difference difference) {
        String word = difference.part().word();
        String name = difference.nameless() ? difference.name().substring(unnamed(difference.part()).length() + 1)
                : difference.name();
        return "the " + word + " " + name + " of " + difference.table();
    }

    private String presence(Difference difference) {
        String what = difference.part() == SchemaPart.TABLE || difference.part() == SchemaPart.COLUMN
                || difference.table().isEmpty() ? "the " + difference.part().word() + " " + difference.place()
                : difference.part() == SchemaPart.PRIMARY_KEY ? "a primary key of " + difference.table()
                : part(difference);
        return difference.added() ? what + " is only in " + want + "." : what + " is only in " + have + ".";
    }
}
