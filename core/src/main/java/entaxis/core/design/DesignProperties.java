package entaxis.core.design;

import entaxis.core.targets.Target;
import java.util.Optional;

/**
 * What holds for a design as a whole.
 *
 * @param name   what it is called among one's designs
 * @param target the engine its tables are for
 * @param title  the title on its sheets
 * @param author who made it, for the sheets; may be empty
 * @param naming how names of tables, columns and constraints are made; {@link Naming#DEFAULT} if never decided
 */
public record DesignProperties(String name, Target target, String title, String author, Optional<Naming> naming) {
    /** With the usual names. */
    public DesignProperties(String name, Target target, String title, String author) {
        this(name, target, title, author, Optional.empty());
    }

    /** What holds for a design that is begun now. */
    public static DesignProperties begun(String name, Target target, String title, String author) {
        return new DesignProperties(name, target, title, author, Optional.of(Naming.BEGUN));
    }

    /** How names are made. */
    public Naming names() {
        return naming.orElse(Naming.DEFAULT);
    }

    /** The same under another name. */
    public DesignProperties named(String newName) {
        return new DesignProperties(newName, target, title, author, naming);
    }

    /** The same for another engine. */
    public DesignProperties on(Target other) {
        return new DesignProperties(name, other, title, author, naming);
    }

    /** The same with another title. */
    public DesignProperties titled(String newTitle) {
        return new DesignProperties(name, target, newTitle, author, naming);
    }

    /** The same by another author. */
    public DesignProperties by(String newAuthor) {
        return new DesignProperties(name, target, title, newAuthor, naming);
    }

    /** The same with names made in another way. */
    public DesignProperties naming(Naming policy) {
        return new DesignProperties(name, target, title, author, Optional.of(policy));
    }
}
