package entaxis.core.design;

import entaxis.core.type.SqlType;
import java.util.Optional;

/**
 * A type with rules of its own (ISO/IEC 9075-2, 11.34, domain definition).
 *
 * @param base         the type that it is made of
 * @param defaultValue SQL expression that is taken where no value is given
 * @param check        SQL condition in which {@code value} stands for the value
 */
public record Domain(TypeId id, String name, SqlType base, Optional<String> defaultValue, Optional<String> check,
        String meaning) implements NamedType { }
