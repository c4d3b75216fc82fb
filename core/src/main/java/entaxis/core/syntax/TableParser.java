package entaxis.core.syntax;

import entaxis.core.schema.PartitionBound;
import entaxis.core.schema.QualifiedName;
import entaxis.core.statement.ColumnClause;
import entaxis.core.statement.ColumnRefinement;
import entaxis.core.statement.CreateTable;
import entaxis.core.statement.DropTables;
import entaxis.core.statement.LikeTable;
import entaxis.core.statement.PlacedName;
import entaxis.core.statement.RenameTables;
import entaxis.core.statement.Statement;
import entaxis.core.statement.TableElement;
import entaxis.core.statement.TableOptions;
import entaxis.core.token.Keyword;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Reads CREATE TABLE, DROP TABLE and RENAME TABLE. */
final class TableParser {
    private static final int USUAL_SIZE = 24;
    private final StatementCursor tokens;
    private final ScriptSyntax syntax;
    private final ElementParsers parsers;
    private final TableOptionParser tableOptions;

    TableParser(StatementCursor tokens, ScriptSyntax syntax, ElementParsers parsers) {
        this.tokens = tokens;
        this.syntax = syntax;
        this.parsers = parsers;
        this.tableOptions = new TableOptionParser(tokens, syntax, parsers.numbers(), parsers.partitions());
    }

    /** What was read of a table so far, which stays where the rest is not understood. */
    private static final class Draft {
        private final List<TableElement> elements = new ArrayList<>(USUAL_SIZE);
        private final List<PlacedName> inherited = new ArrayList<>(0);
        private Optional<PlacedName> model = Optional.empty();
        private Optional<PartitionBound> bound = Optional.empty();
        private TableOptions options = TableOptions.NONE;

        private CreateTable.Source source(Form form) {
            return model.<CreateTable.Source>map(named -> switch (form) {
                case PARTITION -> new CreateTable.PartitionOf(named, elements, bound);
                case OF_TYPE -> new CreateTable.OfType(named, elements);
                case COPY, ELEMENTS -> new CreateTable.CopyOf(named);
            }).orElseGet(() -> new CreateTable.Elements(elements, inherited));
        }
    }

    /** How CREATE TABLE goes on behind the name. */
    private enum Form { ELEMENTS, COPY, PARTITION, OF_TYPE }

    /** Reads CREATE TABLE from behind that word. */
    ParsedStatement create(int from, boolean replaces, boolean temporary) {
        boolean onlyIfAbsent = tokens.accept(Keyword.IF, Keyword.NOT, Keyword.EXISTS);
        PlacedName name = parsers.names().placed();
        Optional<PlacedName> copied = copied();
        if (copied.isPresent()) {
            return ParsedStatement.whole(new CreateTable(name, onlyIfAbsent, replaces, temporary,
                    new CreateTable.RowsOf(copied.get()), TableOptions.NONE));
        }
        if (fromQuery()) {
            return ofQuery(name, onlyIfAbsent, replaces, temporary, from);
        }
        Form form = form();
        Draft draft = new Draft();
        Optional<SyntaxException> error = Optional.empty();
        try {
            read(form, draft);
        } catch (SyntaxException reason) {
            error = Optional.of(reason);
        }
        return new ParsedStatement(
                new CreateTable(name, onlyIfAbsent, replaces, temporary, draft.source(form), draft.options), error);
    }

    /** The table whose rows are copied as they are, where nothing else is said. */
    private Optional<PlacedName> copied() {
        int from = tokens.at();
        if (syntax.takes(SyntaxRule.COPIES_WITHOUT_RULES) && tokens.accept(Keyword.AS, Keyword.SELECT)
                && tokens.acceptSign('*') && tokens.accept(Keyword.FROM) && tokens.isName(tokens.at())) {
            PlacedName model = parsers.names().placed();
            if (tokens.atEnd()) {
                return Optional.of(model);
            }
        }
        tokens.goTo(from);
        return Optional.empty();
    }

    private boolean fromQuery() {
        return tokens.is(Keyword.AS) || tokens.is(Keyword.SELECT) || tokens.sign('(')
                && (tokens.ahead(1) == Keyword.SELECT || tokens.ahead(1) == Keyword.WITH);
    }

    /** A table that a query makes: its columns are not known. */
    ParsedStatement ofQuery(PlacedName name, boolean onlyIfAbsent, boolean replaces, boolean temporary, int from) {
        return new ParsedStatement(
                new CreateTable(name, onlyIfAbsent, replaces, temporary, new CreateTable.OfQuery(),
                        TableOptions.NONE),
                Optional.of(tokens.unreadable(from, "the columns of the table come from a query")));
    }

    private Form form() {
        if (tokens.is(Keyword.LIKE) || tokens.sign('(') && tokens.ahead(1) == Keyword.LIKE
                && !syntax.takes(SyntaxRule.LIKE_AMONG_ELEMENTS)) {
            return Form.COPY;
        }
        return tokens.accept(Keyword.PARTITION) ? Form.PARTITION : tokens.accept(Keyword.OF) ? Form.OF_TYPE
                : Form.ELEMENTS;
    }

    private void read(Form form, Draft draft) {
        switch (form) {
            case COPY -> {
                boolean round = tokens.acceptSign('(');
                tokens.expect(Keyword.LIKE);
                draft.model = Optional.of(parsers.names().placed());
                if (round) {
                    tokens.expectSign(')');
                }
            }
            case PARTITION, OF_TYPE -> {
                if (form == Form.PARTITION) {
                    tokens.expect(Keyword.OF);
                }
                draft.model = Optional.of(parsers.names().placed());
                if (tokens.sign('(')) {
                    refinements(draft.elements);
                }
                if (form == Form.PARTITION) {
                    draft.bound = Optional.of(parsers.partitions().bound());
                }
                tableOptions.read(options -> draft.options = options, Optional.empty());
            }
            case ELEMENTS -> {
                Optional<String> comment =
                        tokens.accept(Keyword.COMMENT) ? Optional.of(tokens.string()) : Optional.empty();
                elements(draft.elements);
                inherited(draft.inherited);
                tableOptions.read(options -> draft.options = options, comment);
            }
        }
    }

    private void elements(List<TableElement> into) {
        tokens.expectSign('(');
        if (tokens.acceptSign(')')) {
            return;
        }
        boolean more;
        do {
            int start = tokens.at();
            try {
                element(into);
                if (!tokens.sign(',') && !tokens.sign(')')) {
                    throw tokens.unreadable(tokens.atEnd() ? "the bracket of the table is not closed"
                            : "this clause is not understood here");
                }
            } catch (SyntaxException reason) {
                into.add(reason.error());
                toNextElement(start);
            }
            more = tokens.acceptSign(',') && !(commaMayTrail() && tokens.sign(')'));
        } while (more);
        if (!tokens.atEnd()) {
            tokens.expectSign(')');
        }
    }

    /** SQL Server takes a comma behind the last element; scripts in use have it, the reference says nothing of it. */
    private boolean commaMayTrail() {
        return syntax.takes(SyntaxRule.TRAILING_COMMA);
    }

    /** Goes to the comma or bracket that ends the element which began at a token. */
    private void toNextElement(int start) {
        tokens.goTo(start);
        int depth = 0;
        while (!tokens.atEnd()) {
            if (depth == 0 && (tokens.sign(',') || tokens.sign(')'))) {
                return;
            }
            depth += tokens.sign('(') ? 1 : tokens.sign(')') ? -1 : 0;
            tokens.advance();
        }
    }

    private void element(List<TableElement> into) {
        if (tokens.is(Keyword.LIKE)) {
            into.add(like());
        } else if (parsers.constraints().begins()) {
            do {
                parsers.constraints().constraint().ifPresent(into::add);
            } while (syntax.takes(SyntaxRule.CONSTRAINTS_WITHOUT_COMMA) && parsers.constraints().begins());
        } else {
            parsers.columns().column(into::add);
        }
    }

    private LikeTable like() {
        tokens.advance();
        PlacedName model = parsers.names().placed();
        Set<String> including = new HashSet<>();
        while (!tokens.sign(',') && !tokens.sign(')') && !tokens.atEnd()) {
            boolean takes = tokens.is(Keyword.INCLUDING);
            tokens.advance();
            String what = tokens.capitals(tokens.at());
            Set<String> meant = what.equals("ALL") ? LikeTable.ALL : Set.of(what);
            if (takes) {
                including.addAll(meant);
            } else {
                including.removeAll(meant);
            }
            tokens.advance();
        }
        return new LikeTable(model, including);
    }

    private void refinements(List<TableElement> into) {
        tokens.expectSign('(');
        do {
            if (parsers.constraints().begins()) {
                parsers.constraints().constraint().ifPresent(into::add);
            } else {
                int place = tokens.place();
                String column = tokens.name();
                tokens.accept(Keyword.WITH, Keyword.OPTIONS);
                List<ColumnClause> clauses = new ArrayList<>();
                parsers.columns().clauses(clauses);
                into.add(new ColumnRefinement(column, place, clauses));
            }
        } while (tokens.acceptSign(','));
        tokens.expectSign(')');
    }

    private void inherited(List<PlacedName> into) {
        if (!tokens.accept(Keyword.INHERITS)) {
            return;
        }
        tokens.expectSign('(');
        do {
            into.add(parsers.names().placed());
        } while (tokens.acceptSign(','));
        tokens.expectSign(')');
    }

    /** Reads DROP TABLE from behind that word. */
    Statement drop(boolean temporary) {
        tokens.accept(Keyword.IF, Keyword.EXISTS);
        List<QualifiedName> names = parsers.names().list();
        tokens.accept(Keyword.IF, Keyword.EXISTS);
        boolean cascade = tokens.accept(Keyword.CASCADE);
        if (cascade) {
            tokens.accept("CONSTRAINTS");
            tokens.accept(Keyword.CONSTRAINT);
        } else {
            tokens.accept(Keyword.RESTRICT);
        }
        tokens.accept("PURGE");
        return new DropTables(names, temporary, cascade);
    }

    /** MySQL manual, RENAME TABLE; Oracle Database SQL Language Reference, RENAME. */
    Statement rename() {
        tokens.advance();
        if (!tokens.accept(Keyword.TABLE)) {
            tokens.accept(Keyword.TABLES);
        }
        tokens.accept(Keyword.IF, Keyword.EXISTS);
        List<RenameTables.Renaming> renamings = new ArrayList<>(1);
        do {
            PlacedName before = parsers.names().placed();
            tokens.expect(Keyword.TO);
            renamings.add(new RenameTables.Renaming(before, parsers.names().qualified()));
        } while (tokens.acceptSign(','));
        return new RenameTables(renamings);
    }
}
