package entaxis.core.reading;

import entaxis.core.reading.SchemaBuilder.QName;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.TypeDefinition;
import entaxis.core.schema.UniqueKey;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Reads calls of procedures of the engine that rename or describe something. */
final class ProcedureCalls {
    private final TokenCursor tokens;
    private final SchemaBuilder builder;
    private final DefinitionParsers definitions;
    private final TypeStatements typeStatements;
    private final StepOver pass;

    ProcedureCalls(TokenCursor tokens, SchemaBuilder builder, DefinitionParsers definitions,
            TypeStatements typeStatements, StepOver pass) {
        this.tokens = tokens;
        this.builder = builder;
        this.definitions = definitions;
        this.typeStatements = typeStatements;
        this.pass = pass;
    }

    // procedures of the engine

    /** The name before an equals sign; none where something else stands there. */
    private String label() {
        return tokens.isName(tokens.at - 2) ? tokens.nameAt(tokens.at - 2).toLowerCase(Locale.ROOT) : "";
    }

    /** SQL Server documentation: sp_rename, sp_addextendedproperty; a text that is run is read. */
    void procedureCall(int from) {
        tokens.at++;
        if (tokens.sign('(') && tokens.kind(tokens.at + 1) == TokenizedStatement.STRING
                && tokens.sign(tokens.at + 2, ')')) {
            pass.over(from, "statement in a text");
            return;
        }
        if (!builder.takes(SyntaxRule.SYSTEM_PROCEDURES) || !tokens.isName(tokens.at)) {
            pass.over(from, "call of a procedure");
            return;
        }
        String procedure = definitions.names().qualified().name().toLowerCase(Locale.ROOT);
        List<String> given = new ArrayList<>();
        List<String> labels = new ArrayList<>();
        while (!tokens.atEnd() && !tokens.startsStatement()) {
            if (tokens.kind(tokens.at) == TokenizedStatement.STRING) {
                labels.add(tokens.sign(tokens.at - 1, '=') ? label() : "");
                given.add(tokens.stringAt(tokens.at));
            } else if ((tokens.isName(tokens.at) || tokens.is(Keyword.NULL)) && !tokens.sign(tokens.at + 1, '=')
                    && !tokens.sign(tokens.at - 1, '=')) {
                labels.add("");
                given.add(tokens.is(Keyword.NULL) ? "" : tokens.nameAt(tokens.at));
            } else if (tokens.sign(tokens.at - 1, '=') && tokens.isName(tokens.at)) {
                labels.add(label());
                given.add(tokens.nameAt(tokens.at));
            }
            tokens.at++;
        }
        int end = tokens.at;
        boolean understood = switch (procedure) {
            case "sp_rename" -> renamed(given);
            case "sp_addextendedproperty", "sp_updateextendedproperty" -> described(given, labels);
            case "sp_dropextendedproperty" -> undescribed(given, labels);
            default -> false;
        };
        if (!understood) {
            pass.over(from, procedure.startsWith("sp_") || procedure.startsWith("xp_") ? "procedure of the engine"
                    : "call of a procedure");
        }
        tokens.at = end;
    }

    private boolean renamed(List<String> given) {
        if (given.size() < 2) {
            return false;
        }
        List<String> path = List.of(given.getFirst().replace("[", "").replace("]", "").split("\\."));
        boolean column = given.size() > 2 && given.get(2).equalsIgnoreCase("column");
        String now = given.get(1);
        if (column && path.size() >= 2) {
            Optional<TableBuilder> table = builder
                    .table(new QName(path.size() > 2 ? path.get(path.size() - 3) : "", path.get(path.size() - 2)));
            table.flatMap(owner -> owner.column(path.getLast()))
                    .ifPresent(own -> builder.rename(table.get(), own, now));
            return table.isPresent();
        }
        if (given.size() > 2 && given.get(2).equalsIgnoreCase("index") && path.size() >= 2) {
            Optional<TableBuilder> table = builder
                    .table(new QName(path.size() > 2 ? path.get(path.size() - 3) : "", path.get(path.size() - 2)));
            table.ifPresent(owner -> owner.indexes.replaceAll(index -> owner.same(index.name(), path.getLast())
                    ? index.named(now) : index));
            table.ifPresent(owner -> builder.index(now, owner));
            return table.isPresent();
        }
        QName name = new QName(path.size() > 1 ? path.get(path.size() - 2) : "", path.getLast());
        if (given.size() > 2 && given.get(2).equalsIgnoreCase("userdatatype")) {
            Optional<TypeDefinition> type = Optional.ofNullable(builder.types.get(builder.key(name)));
            type.ifPresent(known -> typeStatements.rename(builder.key(name), known, new QName(name.namespace(), now)));
            return type.isPresent();
        }
        Optional<TableBuilder> table = builder.table(name);
        if (table.isEmpty() && given.size() > 2 && given.get(2).equalsIgnoreCase("object")) {
            return renamedConstraint(path.getLast(), now);
        }
        table.ifPresent(owner -> builder.rename(owner, name, new QName("", now)));
        return table.isPresent();
    }

    private boolean renamedConstraint(String before, String now) {
        boolean found = false;
        for (TableBuilder table : builder.tables()) {
            boolean own = table.primaryKey.filter(key -> table.same(key.name(), before)).isPresent()
                    || table.uniqueKeys.stream().anyMatch(key -> table.same(key.name(), before))
                    || table.foreignKeys.stream().anyMatch(key -> table.same(key.name(), before))
                    || table.checks.stream().anyMatch(check -> table.same(check.name(), before));
            found |= own;
            if (own) {
                table.primaryKey = table.primaryKey
                        .map(key -> table.same(key.name(), before) ? key.named(now) : key);
                table.uniqueKeys
                        .replaceAll(key -> table.same(key.name(), before) ? new UniqueKey(now, key.columns()) : key);
                table.foreignKeys.replaceAll(key -> table.same(key.name(), before) ? key.named(now) : key);
                table.checks.replaceAll(
                        check -> table.same(check.name(), before) ? new CheckRule(now, check.condition()) : check);
            }
        }
        return found;
    }

    private boolean described(List<String> given, List<String> labels) {
        String property = argument(given, labels, "@name", 0);
        String value = argument(given, labels, "@value", 1);
        String table = argument(given, labels, "@level1name", 5);
        String column = argument(given, labels, "@level2name", 7);
        String schema = argument(given, labels, "@level0name", 3);
        boolean ofTable = argument(given, labels, "@level1type", 4).equalsIgnoreCase("table");
        if (!property.equalsIgnoreCase("MS_Description") || !ofTable) {
            return false;
        }
        Optional<TableBuilder> found = builder.table(new QName(schema, table));
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
    private boolean undescribed(List<String> given, List<String> labels) {
        if (given.isEmpty()) {
            return false;
        }
        List<String> all = new ArrayList<>(given);
        List<String> labelled = new ArrayList<>(labels);
        all.add(1, "");
        labelled.add(1, "");
        return described(all, labelled);
    }

    private static String argument(List<String> given, List<String> labels, String label, int place) {
        int at = labels.indexOf(label);
        boolean anyLabel = labels.stream().anyMatch(other -> !other.isEmpty());
        return at >= 0 ? given.get(at) : !anyLabel && place < given.size() ? given.get(place) : "";
    }
}
