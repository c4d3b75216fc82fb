package entaxis.core.design;

import java.util.Optional;

/**
 * What holds for a design as a whole.
 *
 * @param name   what it is called among one's designs
 * @param target the engine its tables are for
 * @param title  the title on its sheets
 * @param author who made it, for the sheets; may be empty
 * @param naming how names of tables, columns and constraints are made; {@link Naming#USUAL} if never decided
 */
public record Facts(String name, Target target, String title, String author, Optional<Naming> naming) {
    /** With the usual names. */
    public Facts(String name, Target target, String title, String author) {
        this(name, target, title, author, Optional.empty());
    }

    /** What holds for a design that is begun now. */
    public static Facts begun(String name, Target target, String title, String author) {
        return new Facts(name, target, title, author, Optional.of(Naming.BEGUN));
    }

    /** How names are made. */
    public Naming names() {
        return naming.orElse(Naming.USUAL);
    }

    /** The same under another name. */
    public Facts named(String newName) {
        return new Facts(newName, target, title, author, naming);
    }

    /** The same for another engine. */
    public Facts on(Target other) {
        return new Facts(name, other, title, author, naming);
    }

    /** The same with another title. */
    public Facts titled(String newTitle) {
        return new Facts(name, target, newTitle, author, naming);
    }

    /** The same by another author. */
    public Facts by(String newAuthor) {
        return new Facts(name, target, title, newAuthor, naming);
    }

    /** The same with names made in another way. */
    public Facts naming(Naming policy) {
        return new Facts(name, target, title, author, Optional.of(policy));
    }
}
