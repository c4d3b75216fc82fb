package entaxis.core.reconcile;

import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Program;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Sequence;
import entaxis.core.schema.Table;
import entaxis.core.sql.IsoNormalizer;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Decides which schemas two sides mean. Scripts often leave the schema out and dumps always name it, so a side that has
 * all its tables in one schema is compared with a side that has them in the default schema.
 */
final class Namespaces {
    private Namespaces() { }

    /** The one schema that all tables stand in; nothing if they stand in several, or there are none. */
    static Optional<String> only(Schema schema) {
        Set<String> all = schema.tables().stream().map(table -> said(table.namespace())).collect(Collectors.toSet());
        return all.size() == 1 ? all.stream().findFirst() : Optional.empty();
    }

    /** The usual schema of an engine goes without saying. */
    private static String said(String namespace) {
        return IsoNormalizer.usual(namespace) ? "" : namespace;
    }

    /** A side put into the schema of the other, where each of them has only one; linear. */
    static Schema like(Schema schema, Schema other) {
        return differ(schema, other) ? moved(schema, only(schema).orElseThrow(), only(other).orElseThrow()) : schema;
    }

    /** Whether each side has one schema only, and they are not called the same. */
    static boolean differ(Schema one, Schema other) {
        Optional<String> own = only(one);
        Optional<String> wanted = only(other);
        return own.isPresent() && wanted.isPresent() && !own.equals(wanted);
    }

    /** References without the schema where it is that of their own table. */
    static Schema unqualified(Schema schema) {
        boolean plain = schema.tables().stream().allMatch(table -> table.foreignKeys().stream()
                .noneMatch(key -> repeats(key, table)));
        return plain ? schema : schema.over(schema.tables().stream().map(table -> table.referring(table.foreignKeys()
                .stream().map(key -> repeats(key, table) ? key.into("") : key).toList())).toList());
    }

    private static boolean repeats(ForeignKey key, Table table) {
        return !key.referencedNamespace().isEmpty() && key.referencedNamespace().equals(table.namespace());
    }

    private static Schema moved(Schema schema, String from, String to) {
        List<Table> tables = schema.tables().stream().map(table -> table.in(to).referring(table.foreignKeys().stream()
                .map(key -> said(key.referencedNamespace()).equals(from) ? key.into("") : key).toList())).toList();
        List<Sequence> sequences = schema.sequences().stream()
                .map(own -> said(own.namespace()).equals(from) ? own.in(to) : own).toList();
        List<Program> programs = schema.programs().stream().map(own -> !said(own.namespace()).equals(from) ? own
                : new Program(own.kind(), to, own.name(), own.target(), own.text(), own.comments(), own.grants()))
                .toList();
        return new Schema(schema.types(), sequences, tables, programs, schema.extensions());
    }
}
