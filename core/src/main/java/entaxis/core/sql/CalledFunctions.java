package entaxis.core.sql;

import entaxis.core.design.ProgramKind;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Column;
import entaxis.core.schema.Program;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex;
import entaxis.core.token.Lexer;
import entaxis.core.token.Token;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
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
                .forEach(text -> calls(text, names).filter(called::add).forEach(open::add));
        while (!open.isEmpty()) {
            String name = open.removeLast();
            functions.stream().filter(function -> small(function.name()).equals(name))
                    .forEach(function -> calls(bare(function.text()), names).filter(called::add).forEach(open::add));
        }
        return functions.stream().filter(function -> called.contains(small(function.name())))
                .collect(Collectors.toCollection(LinkedHashSet::new));
    }

    private static Stream<String> expressions(Table table) {
        return Stream.of(table.columns().stream().flatMap(column -> column.defaultValue().stream()),
                table.columns().stream().map(Column::generated).flatMap(text -> text.stream()),
                table.checks().stream().map(CheckRule::condition),
                table.indexes().stream().flatMap(index -> index.columns().stream())
                        .filter(TableIndex.IndexColumn::expression).map(TableIndex.IndexColumn::name))
                .flatMap(texts -> texts);
    }

    /** Those of some names behind which a bracket opens. */
    static Stream<String> calls(String text, Set<String> names) {
        List<Token> tokens = Lexer.tokens(text).stream().filter(
                token -> token.kind() != Token.Kind.SPACE && token.kind() != Token.Kind.COMMENT).toList();
        Stream.Builder<String> calls = Stream.builder();
        for (int i = 0; i + 1 < tokens.size(); i++) {
            if (tokens.get(i).isName() && tokens.get(i + 1).is("(") && names.contains(small(tokens.get(i).name()))) {
                calls.add(small(tokens.get(i).name()));
            }
        }
        return calls.build();
    }

    /** A body that stands in quotes or dollars, without them. */
    private static String bare(String program) {
        return program.replace('\'', ' ').replace('$', ' ');
    }

    private static String small(String name) {
        return name.toLowerCase(Locale.ROOT);
    }
}
