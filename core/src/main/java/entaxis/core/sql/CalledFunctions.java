package entaxis.core.sql;

import entaxis.core.expression.Expression;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Column;
import entaxis.core.schema.Program;
import entaxis.core.schema.ProgramKind;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex;
import entaxis.core.token.Identifiers;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** The functions that definitions of tables call, in defaults, conditions and computed columns, or that these call. */
public final class CalledFunctions {
    private final Schema schema;
    private final List<Program> functions;

    /** The functions that the tables of a schema call. */
    public CalledFunctions(Schema schema) {
        this.schema = schema;
        this.functions =
                schema.programs().stream().filter(program -> program.kind() == ProgramKind.FUNCTION).toList();
    }

    /** In the order in which the schema has them. Linear in the expressions, and in the texts of functions. */
    public Set<Program> programs() {
        if (functions.isEmpty()) {
            return Set.of();
        }
        Set<String> names = functions.stream().map(function -> small(function.name())).collect(Collectors.toSet());
        Set<String> called = new HashSet<>();
        List<String> open = new ArrayList<>();
        schema.tables().stream().flatMap(CalledFunctions::expressions)
                .forEach(one -> one.calls(names).stream().filter(called::add).forEach(open::add));
        while (!open.isEmpty()) {
            String name = open.removeLast();
            functions.stream().filter(function -> small(function.name()).equals(name))
                    .forEach(function -> Identifiers.called(bare(function.text())).stream().filter(names::contains)
                            .filter(called::add).forEach(open::add));
        }
        return functions.stream().filter(function -> called.contains(small(function.name())))
                .collect(Collectors.toCollection(LinkedHashSet::new));
    }

    private static Stream<Expression> expressions(Table table) {
        return Stream.of(table.columns().stream().flatMap(column -> column.defaultValue().stream()),
                table.columns().stream().map(Column::generated).flatMap(text -> text.stream()),
                table.checks().stream().map(CheckRule::condition),
                table.indexes().stream().flatMap(index -> index.columns().stream())
                        .map(TableIndex.IndexColumn::computed).flatMap(Optional::stream))
                .flatMap(all -> all);
    }

    /** A body that stands in quotes or dollars, without them. */
    private static String bare(String program) {
        return program.replace('\'', ' ').replace('$', ' ');
    }

    private static String small(String name) {
        return name.toLowerCase(Locale.ROOT);
    }
}
