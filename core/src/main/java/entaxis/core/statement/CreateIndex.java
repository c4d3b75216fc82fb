package entaxis.core.statement;

import entaxis.core.schema.QualifiedName;
import java.util.Optional;

/**
 * CREATE INDEX.
 *
 * @param name         empty where the engine makes one up
 * @param onlyIfAbsent whether nothing is to be done where there is such an index
 * @param replace      whether an index of the name is replaced
 * @param only         whether partitions are left alone
 * @param definition   left out where it is not understood
 */
public record CreateIndex(QualifiedName name, PlacedName table, boolean onlyIfAbsent, boolean replace, boolean only,
        Optional<IndexDefinition> definition) implements Statement { }
