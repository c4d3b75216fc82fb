package entaxis.core.dictionary.reading;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Reads the short marks that people put into cells: keys, yes and no. */
final class Marks {
    private static final Pattern ALTERNATE = Pattern.compile("\\b(?:ak|uk|u)\\s*(\\d{1,2})?\\b|\\bunique\\b");
    private static final Pattern RANK = Pattern.compile("\\b(?:pk|p|primary(?: key)?)\\s*(\\d{1,2})\\b");

    private Marks() { }

    /** Whether a cell says yes; none if it says neither. */
    static Optional<Boolean> yes(String cell) {
        String plain = cell.strip().toLowerCase(Locale.ROOT).replaceAll("\\.0$", "");
        if (plain.matches(
                "yes|y|x|true|t|1|✓|✔|☑|m|mandatory|required|not null|must|always|obligatory|req|nn|pk|primary|primary "
                        + "key|unique|uk|ja|j")) {
            return Optional.of(true);
        }
        if (plain.matches(
                "no|n|false|f|0|-|–|✗|✘|☐|o|optional|null|nullable|may be empty|can be empty|sometimes|never|not "
                        + "required|nein")) {
            return Optional.of(false);
        }
        return Optional.empty();
    }

    /** Whether a cell in a column about nulls says that a value may be missing. */
    static Optional<Boolean> mayBeEmpty(String cell) {
        String plain = cell.strip().toLowerCase(Locale.ROOT);
        if (plain.matches("not null|required|mandatory|nn|not empty")) {
            return Optional.of(false);
        }
        return plain.matches("null|nullable|may be empty|optional") ? Optional.of(true) : yes(cell);
    }

    /** The rank in the primary key: 0 for none, 1 where it is only marked. */
    static int rank(String cell) {
        String plain = cell.toLowerCase(Locale.ROOT).replace('_', ' ');
        Matcher ranked = RANK.matcher(plain);
        if (ranked.find()) {
            return Integer.parseInt(ranked.group(1));
        }
        return plain.matches(".*(\\bpk\\b|\\bpfk\\b|\\bpk/fk\\b|\\bprimary\\b|^p$|\\bpf\\b).*") ? 1 : 0;
    }

    static boolean foreign(String cell) {
        return cell.toLowerCase(Locale.ROOT).matches(".*(\\bfk\\d*\\b|\\bpfk\\b|\\bforeign\\b|^f$|\\bpf\\b).*");
    }

    /** The number of the alternate key: 0 for none; a mark without a number counts by itself and gives -1. */
    static int alternate(String cell) {
        Matcher matcher = ALTERNATE.matcher(cell.toLowerCase(Locale.ROOT));
        if (!matcher.find()) {
            return 0;
        }
        return matcher.group(1) == null ? -1 : Integer.parseInt(matcher.group(1));
    }

    /** The entity that a text refers to: “FK to Customer.customer_no”, “Customer(id)”, “→ customer”. */
    static String referred(String text) {
        return text.strip().replaceFirst(
                "(?i)^(?:fk|foreign key|references|refers to|ref|related "
                        + "to|see|to|->|→|=>)(?:\\s+(?:to|of|in))?\\s*[:\\s]\\s*",
                "").replaceFirst("\\s*[.(:\\[].*$", "").strip();
    }
}
