package entaxis.core.syntax;

import entaxis.core.expression.Expression;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.QualifiedName;
import entaxis.core.statement.PlacedName;
import entaxis.core.statement.Statement;
import entaxis.core.statement.TypeName;
import entaxis.core.statement.TypeStatement;
import entaxis.core.token.Keyword;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Reads CREATE, ALTER and DROP of types and domains (ISO/IEC 9075-2, 11.34 to 11.51). */
final class TypeStatementParser {
    private static final String OWN_MAKING = "type of the engine's own making";
    private final StatementCursor tokens;
    private final ElementParsers parsers;
    private final StatementEnd statementEnd;

    TypeStatementParser(StatementCursor tokens, ElementParsers parsers, StatementEnd statementEnd) {
        this.tokens = tokens;
        this.parsers = parsers;
        this.statementEnd = statementEnd;
    }

    /** Reads CREATE DOMAIN from behind those words. */
    Statement createDomain() {
        boolean onlyIfAbsent = tokens.accept(Keyword.IF, Keyword.NOT, Keyword.EXISTS);
        PlacedName name = parsers.names().placed();
        tokens.accept(Keyword.AS);
        if (tokens.is(Keyword.ROW) && tokens.sign(tokens.at() + 1, '(')) {
            tokens.advance();
            return new TypeStatement.CreateStructure(name, onlyIfAbsent, fields());
        }
        TypeName base = parsers.types().type();
        Optional<Expression> defaultValue = Optional.empty();
        List<CheckRule> rules = new ArrayList<>(1);
        String constraint = "";
        boolean required = false;
        boolean more = true;
        while (more) {
            if (tokens.accept(Keyword.DEFAULT)) {
                defaultValue = Optional.of(parsers.expressions().expression());
            } else if (tokens.accept(Keyword.CONSTRAINT)) {
                constraint = tokens.name();
            } else if (tokens.accept(Keyword.CHECK)) {
                rules.add(new CheckRule(constraint, parsers.expressions().inRound()));
                constraint = "";
                parsers.clauseEnds().constraintEnd();
            } else if (tokens.accept(Keyword.COLLATE)) {
                parsers.names().qualified();
            } else if (tokens.accept(Keyword.NOT, Keyword.NULL)) {
                required = true;
            } else {
                more = tokens.accept(Keyword.NULL);
            }
        }
        return new TypeStatement.CreateDomain(name, onlyIfAbsent, base, defaultValue, rules, required);
    }

    /** Reads CREATE TYPE from the second word on. */
    Statement createType(int from) {
        tokens.advance();
        if (tokens.is(Keyword.BODY)) {
            return statementEnd.skip(from, "type body");
        }
        tokens.accept(Keyword.IF, Keyword.NOT, Keyword.EXISTS);
        PlacedName name = parsers.names().placed();
        if (tokens.accept(Keyword.FROM)) {
            TypeName base = parsers.types().type();
            boolean required = tokens.accept(Keyword.NOT, Keyword.NULL);
            if (!required) {
                tokens.accept(Keyword.NULL);
            }
            return new TypeStatement.CreateAlias(name, base, required);
        }
        if (tokens.atEnd()) {
            return new TypeStatement.DeclareType(name);
        }
        if (!tokens.accept(Keyword.AS) && !tokens.accept(Keyword.IS)) {
            return statementEnd.skip(from, OWN_MAKING);
        }
        if (tokens.accept(Keyword.ENUM)) {
            return new TypeStatement.CreateEnumeration(name, strings());
        }
        if (tokens.is(Keyword.TABLE) || tokens.is(Keyword.VARYING) || tokens.is(Keyword.RANGE)
                || tokens.is("VARRAY") || tokens.is(Keyword.VARCHAR)) {
            return statementEnd.skip(from, OWN_MAKING);
        }
        tokens.accept(Keyword.OBJECT);
        if (!tokens.sign('(')) {
            return statementEnd.skip(from, OWN_MAKING);
        }
        List<TypeStatement.Field> fields = fields();
        while (tokens.is(Keyword.NOT) || tokens.is("FINAL") || tokens.is("INSTANTIABLE")
                || tokens.is("PERSISTABLE")) {
            tokens.advance();
        }
        return new TypeStatement.CreateStructure(name, false, fields);
    }

    private List<TypeStatement.Field> fields() {
        tokens.expectSign('(');
        List<TypeStatement.Field> fields = new ArrayList<>();
        while (!tokens.acceptSign(')')) {
            boolean method = tokens.is("MEMBER") || tokens.is("STATIC") || tokens.is("CONSTRUCTOR");
            if (method) {
                tokens.skipElement();
            } else {
                String field = tokens.name();
                fields.add(new TypeStatement.Field(field, parsers.types().type()));
                if (tokens.accept(Keyword.COLLATE)) {
                    parsers.names().qualified();
                }
            }
            if (!tokens.acceptSign(',') && !tokens.sign(')')) {
                throw tokens.unreadable("a comma or a bracket is expected here");
            }
        }
        return fields;
    }

    private List<String> strings() {
        tokens.expectSign('(');
        List<String> values = new ArrayList<>();
        while (!tokens.acceptSign(')')) {
            values.add(tokens.string());
            if (!tokens.sign(')')) {
                tokens.expectSign(',');
            }
        }
        return values;
    }

    /** Reads ALTER TYPE from the second word on. */
    Statement alterType(int from) {
        tokens.advance();
        PlacedName name = parsers.names().placed();
        if (tokens.is(Keyword.OWNER) || tokens.is(Keyword.SET)) {
            return statementEnd.skip(from, "owner");
        }
        return new TypeStatement.AlterType(name, change(from));
    }

    private TypeStatement.Change change(int from) {
        if (tokens.accept(Keyword.ADD, Keyword.VALUE)) {
            return addedValue();
        }
        if (tokens.accept(Keyword.RENAME, Keyword.VALUE)) {
            String before = tokens.string();
            tokens.expect(Keyword.TO);
            return new TypeStatement.RenameValue(before, tokens.string());
        }
        if (tokens.accept(Keyword.RENAME, Keyword.TO)) {
            return new TypeStatement.RenameTo(tokens.name());
        }
        if (tokens.is(tokens.at() + 1, "ATTRIBUTE")) {
            return new TypeStatement.ChangeFields(fieldChanges());
        }
        statementEnd.pass(from);
        return new TypeStatement.OtherChange();
    }

    private TypeStatement.Change addedValue() {
        boolean onlyIfAbsent = tokens.accept(Keyword.IF, Keyword.NOT, Keyword.EXISTS);
        String value = tokens.string();
        boolean before = tokens.is(Keyword.BEFORE);
        Optional<String> neighbour = Optional.empty();
        if (before || tokens.is(Keyword.AFTER)) {
            tokens.advance();
            neighbour = Optional.of(tokens.string());
        }
        return new TypeStatement.AddValue(value, onlyIfAbsent, neighbour, before);
    }

    /** PostgreSQL manual, ALTER TYPE: the fields of a structured type come, go, change and are renamed. */
    private List<TypeStatement.FieldChange> fieldChanges() {
        List<TypeStatement.FieldChange> changes = new ArrayList<>(1);
        do {
            Keyword verb = tokens.word();
            tokens.advance(2);
            boolean ifExists = tokens.accept(Keyword.IF, Keyword.EXISTS);
            int place = tokens.place();
            String field = tokens.name();
            changes.add(switch (verb) {
                case ADD -> new TypeStatement.FieldChange.Add(field, parsers.types().type());
                case DROP -> new TypeStatement.FieldChange.Drop(field, place, ifExists);
                case RENAME -> {
                    tokens.expect(Keyword.TO);
                    yield new TypeStatement.FieldChange.Rename(field, place, tokens.name());
                }
                case ALTER -> {
                    tokens.accept(Keyword.SET, Keyword.DATA);
                    tokens.expect(Keyword.TYPE);
                    yield new TypeStatement.FieldChange.Retype(field, place, parsers.types().type());
                }
                default -> throw tokens.unreadable("ADD, DROP, ALTER or RENAME is expected here");
            });
            while (!tokens.atEnd() && !tokens.sign(',')) {
                tokens.advance();
            }
        } while (tokens.acceptSign(','));
        return changes;
    }

    /** Reads ALTER DOMAIN from the second word on. */
    Statement alterDomain(int from) {
        tokens.advance();
        QualifiedName name = parsers.names().qualified();
        return new TypeStatement.AlterDomain(name, domainChange(from));
    }

    private TypeStatement.Change domainChange(int from) {
        if (tokens.accept(Keyword.RENAME, Keyword.TO)) {
            return new TypeStatement.RenameTo(tokens.name());
        }
        if (tokens.accept(Keyword.RENAME, Keyword.CONSTRAINT)) {
            String before = tokens.name();
            tokens.expect(Keyword.TO);
            return new TypeStatement.RenameRule(before, tokens.name());
        }
        if (tokens.accept(Keyword.SET, Keyword.DEFAULT)) {
            return new TypeStatement.SetDefault(Optional.of(parsers.expressions().expression()));
        }
        if (tokens.accept(Keyword.DROP, Keyword.DEFAULT)) {
            return new TypeStatement.SetDefault(Optional.empty());
        }
        if (tokens.accept(Keyword.SET, Keyword.NOT, Keyword.NULL)
                || tokens.accept(Keyword.ADD, Keyword.NOT, Keyword.NULL)) {
            return new TypeStatement.SetRequired(true);
        }
        if (tokens.accept(Keyword.DROP, Keyword.NOT, Keyword.NULL)) {
            return new TypeStatement.SetRequired(false);
        }
        if (tokens.accept(Keyword.ADD)) {
            String named = tokens.accept(Keyword.CONSTRAINT) ? parsers.names().qualified().name() : "";
            tokens.expect(Keyword.CHECK);
            Expression condition = parsers.expressions().inRound();
            parsers.clauseEnds().constraintEnd();
            return new TypeStatement.AddRule(named, condition);
        }
        if (tokens.accept(Keyword.DROP, Keyword.CONSTRAINT)) {
            tokens.accept(Keyword.IF, Keyword.EXISTS);
            String rule = tokens.name();
            cascade();
            return new TypeStatement.DropRule(rule);
        }
        statementEnd.pass(from);
        return new TypeStatement.OtherChange();
    }

    private boolean cascade() {
        boolean cascade = tokens.accept(Keyword.CASCADE);
        if (!cascade) {
            tokens.accept(Keyword.RESTRICT);
        }
        return cascade;
    }

    /** Reads DROP TYPE and DROP DOMAIN from the second word on. */
    Statement drop() {
        tokens.advance();
        tokens.accept(Keyword.IF, Keyword.EXISTS);
        List<QualifiedName> names = parsers.names().list();
        tokens.accept(Keyword.IF, Keyword.EXISTS);
        boolean cascade = cascade();
        tokens.accept(Keyword.FORCE);
        return new TypeStatement.DropTypes(names, cascade);
    }
}
