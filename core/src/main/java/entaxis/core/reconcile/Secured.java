package entaxis.core.reconcile;

import entaxis.core.schema.Grant;
import entaxis.core.schema.Schema;
import entaxis.core.schema.SecuredObject;
import entaxis.core.sql.Dialect;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * An object that privileges can be granted on.
 *
 * @param name   its name, with its schema where one was named
 * @param grants who may use it beside its owner; empty where that is not told
 */
public record Secured(SecuredObject kind, String name, Optional<List<Grant>> grants) {
    /** All of them in a schema. */
    public static Stream<Secured> of(Schema schema) {
        return Stream.of(
                schema.types().stream().map(type -> new Secured(SecuredObject.TYPE, type.name(), type.grants())),
                schema.sequences().stream().map(own -> new Secured(SecuredObject.SEQUENCE,
                        own.qualifiedName().label(), own.grants())),
                schema.tables().stream()
                        .map(table -> new Secured(SecuredObject.TABLE, table.label(), table.grants())),
                schema.programs().stream().map(program -> new Secured(SecuredObject.of(program.kind()),
                        program.qualifiedName().label(), program.grants())))
                .flatMap(one -> one);
    }

    /** Whether it is told that others may use it than those who may use any new one. */
    public boolean isUnusual(Dialect dialect) {
        return grants.filter(told -> !told.equals(dialect.usualGrants(kind).orElse(List.of()))).isPresent();
    }
}
