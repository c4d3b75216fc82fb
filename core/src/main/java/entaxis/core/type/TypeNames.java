package entaxis.core.type;

import java.util.Optional;

/** Types that are known by a name beside the predefined ones. */
@FunctionalInterface
public interface TypeNames {
    /** No others. */
    TypeNames NONE = name -> Optional.empty();

    /** The type of this name, if there is one. */
    Optional<SqlType> find(String name);
}
