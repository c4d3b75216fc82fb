package entaxis.core.reading;

import entaxis.core.schema.TypeDefinition;
import entaxis.core.statement.CallProcedure;
import entaxis.core.statement.CallProcedure.Argument;
import entaxis.core.schema.QualifiedName;
import entaxis.core.statement.ScriptStatement;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Carries out calls of procedures of the engine that rename or describe something (SQL Server documentation). */
final class ProcedureCalls {
    private final SchemaBuilder builder;
    private final TypeChanges types;
    private final ReadingLog log;

    ProcedureCalls(SchemaBuilder builder, TypeChanges types, ReadingLog log) {
        this.builder = builder;
        this.types = types;
        this.log = log;
    }

    /** Carries out a call as far as it is understood. */
    void call(CallProcedure call, ScriptStatement statement) {
        String procedure = call.procedure();
        boolean understood = switch (procedure) {
            case "sp_rename" -> renamed(call.arguments().stream().map(Argument::value).toList());
            case "sp_addextendedproperty", "sp_updateextendedproperty" -> described(call.arguments());
            case "sp_dropextendedproperty" -> undescribed(call.arguments());
            default -> false;
        };
        if (!understood) {
            boolean ofEngine = procedure.startsWith("sp_") || procedure.startsWith("xp_");
            log.steppedOver(statement.start(), ofEngine ? "procedure of the engine" : "call of a procedure");
        }
    }

    private boolean renamed(List<String> given) {
        if (given.size() < 2) {
            return false;
        }
        List<String> path = List.of(given.getFirst().replace("[", "").replace("]", "").split("\\."));
        String kind = given.size() > 2 ? given.get(2).toLowerCase(Locale.ROOT) : "";
        String now = given.get(1);
        if ((kind.equals("column") || kind.equals("index")) && path.size() >= 2) {
            return renamedPart(path, kind, now);
        }
        QualifiedName name = new QualifiedName(path.size() > 1 ? path.get(path.size() - 2) : "", path.getLast());
        if (kind.equals("userdatatype")) {
            Optional<TypeDefinition> type = Optional.ofNullable(builder.types.get(builder.key(name)));
            type.ifPresent(own -> types.rename(builder.key(name), own, new QualifiedName(name.namespace(), now)));
            return type.isPresent();
        }
        Optional<TableBuilder> table = builder.table(name);
        if (table.isEmpty() && kind.equals("object")) {
            return renamedConstraint(path.getLast(), now);
        }
        table.ifPresent(owner -> builder.rename(owner, name, new QualifiedName("", now)));
        return table.isPresent();
    }

    private boolean renamedPart(List<String> path, String kind, String now) {
        int last = path.size() - 1;
        Optional<TableBuilder> table =
                builder.table(new QualifiedName(last > 1 ? path.get(last - 2) : "", path.get(last - 1)));
        table.ifPresent(owner -> {
            if (kind.equals("column")) {
                owner.column(path.getLast()).ifPresent(own -> builder.rename(owner, own, now));
            } else {
                owner.indexes.replaceAll(
                        index -> owner.same(index.name(), path.getLast()) ? index.named(now) : index);
                builder.index(now, owner);
            }
        });
        return table.isPresent();
    }

    private boolean renamedConstraint(String before, String now) {
        boolean found = false;
        for (TableBuilder table : builder.tables()) {
            boolean own = table.hasConstraint(before);
            found |= own;
            if (own) {
                table.renameConstraint(before, now);
            }
        }
        return found;
    }

    private boolean described(List<Argument> given) {
        String property = argument(given, "@name", 0);
        String value = argument(given, "@value", 1);
        String table = argument(given, "@level1name", 5);
        String column = argument(given, "@level2name", 7);
        String schema = argument(given, "@level0name", 3);
        boolean ofTable = argument(given, "@level1type", 4).equalsIgnoreCase("table");
        if (!property.equalsIgnoreCase("MS_Description") || !ofTable) {
            return false;
        }
        Optional<TableBuilder> found = builder.table(new QualifiedName(schema, table));
        found.ifPresent(owner -> {
            if (column.isEmpty()) {
                owner.comment = value;
            } else {
                owner.column(column).ifPresent(own -> own.comment = value);
            }
        });
        return found.isPresent();
    }

    /** A description that goes: there is no text among the arguments. */
    private boolean undescribed(List<Argument> given) {
        if (given.isEmpty()) {
            return false;
        }
        List<Argument> all = new ArrayList<>(given);
        all.add(1, new Argument("", ""));
        return described(all);
    }

    private static String argument(List<Argument> given, String label, int place) {
        boolean labelled = given.stream().anyMatch(other -> !other.label().isEmpty());
        return given.stream().filter(other -> other.label().equals(label)).map(Argument::value).findFirst()
                .orElse(!labelled && place < given.size() ? given.get(place).value() : "");
    }
}
