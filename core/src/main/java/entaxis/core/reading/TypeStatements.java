package entaxis.core.reading;

import entaxis.core.reading.SchemaBuilder.QName;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.TypeDefinition.DomainDefinition;
import entaxis.core.schema.TypeDefinition.EnumDefinition;
import entaxis.core.schema.TypeDefinition.FieldDefinition;
import entaxis.core.schema.TypeDefinition.StructureDefinition;
import entaxis.core.schema.SecuredObject;
import entaxis.core.schema.TypeDefinition;
import entaxis.core.type.SqlType;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/** Reads CREATE, ALTER and DROP of types and domains (ISO/IEC 9075-2, 11.34 to 11.51). */
final class TypeStatements {
    private final TokenCursor tokens;
    private final SchemaBuilder builder;
    private final DefinitionParsers definitions;
    private final TypeParser types;
    private final ImpliedNames implied;
    private final StepOver pass;

    TypeStatements(TokenCursor tokens, SchemaBuilder builder, DefinitionParsers definitions, TypeParser types,
            ImpliedNames implied, StepOver pass) {
        this.tokens = tokens;
        this.builder = builder;
        this.definitions = definitions;
        this.types = types;
        this.implied = implied;
        this.pass = pass;
    }

    // types

    void createDomain() {
        boolean ifAbsent = tokens.accept(Keyword.IF, Keyword.NOT, Keyword.EXISTS);
        int at = tokens.at;
        QName name = definitions.names().qualified();
        if (builder.types.containsKey(builder.key(name))) {
            if (ifAbsent) {
                pass.over(at, "type that is there already");
                return;
            }
            throw StatementException.conflict(at, "a type " + name.name() + " is there already");
        }
        tokens.accept(Keyword.AS);
        if (tokens.is(Keyword.ROW) && tokens.sign(tokens.at + 1, '(')) {
            tokens.at++;
            define(name, new StructureDefinition(name.name(), fields(), ""));
            return;
        }
        SqlType base = types.read().type();
        if (base instanceof SqlType.EnumType(List<String> values)) {
            define(name, new EnumDefinition(name.name(), values, ""));
            if (tokens.is(Keyword.DEFAULT)) {
                pass.over(tokens.at, "default of an enumeration");
            }
            return;
        }
        Optional<String> defaultValue = Optional.empty();
        String key = builder.key(name);
        builder.domainRules.begin(key);
        String constraint = "";
        boolean required = false;
        boolean more = true;
        while (more) {
            if (tokens.accept(Keyword.DEFAULT)) {
                defaultValue = Optional.of(definitions.expressions().expression());
            } else if (tokens.accept(Keyword.CONSTRAINT)) {
                constraint = tokens.name();
            } else if (tokens.accept(Keyword.CHECK)) {
                String condition = tokens.inRound();
                String checkName =
                        constraint.isEmpty() ? implied.domainCheck(name.name()) : constraint;
                builder.domainRules.add(key, new CheckRule(checkName, condition));
                constraint = "";
                definitions.clauseEnds().constraintEnd();
            } else if (tokens.accept(Keyword.COLLATE)) {
                definitions.names().qualified();
            } else if (tokens.accept(Keyword.NOT, Keyword.NULL)) {
                required = true;
            } else {
                more = tokens.accept(Keyword.NULL);
            }
        }
        define(name, new DomainDefinition(name.name(), base, defaultValue, builder.domainRules.all(key), "")
                .withRequired(required));
    }

    private void define(QName name, TypeDefinition type) {
        builder.types.put(builder.key(name),
                type.grants().isPresent() ? type : type.withGrants(builder.grants.usual(SecuredObject.TYPE)));
    }

    void createType(int from) {
        tokens.at++;
        if (tokens.is(Keyword.BODY)) {
            pass.over(from, "type body");
            return;
        }
        tokens.accept(Keyword.IF, Keyword.NOT, Keyword.EXISTS);
        int at = tokens.at;
        QName name = definitions.names().qualified();
        if (builder.types.containsKey(builder.key(name))) {
            throw StatementException.conflict(at, "a type " + name.name() + " is there already");
        }
        if (tokens.accept(Keyword.FROM)) {
            SqlType base = types.read().type();
            define(name, new DomainDefinition(name.name(), base, Optional.empty(), Optional.empty(), ""));
            if (tokens.accept(Keyword.NOT, Keyword.NULL)) {
                builder.requiredTypes.add(builder.key(name));
            } else {
                tokens.accept(Keyword.NULL);
            }
            return;
        }
        if (tokens.atEnd()) {
            return;
        }
        if (!tokens.accept(Keyword.AS) && !tokens.accept(Keyword.IS)) {
            pass.over(from, "type of the engine's own making");
            return;
        }
        if (tokens.accept(Keyword.ENUM)) {
            define(name, new EnumDefinition(name.name(), strings(), ""));
            return;
        }
        if (tokens.is(Keyword.TABLE) || tokens.is(Keyword.VARYING) || tokens.is(Keyword.RANGE)
                || tokens.reads(tokens.at, "VARRAY") || tokens.is(Keyword.VARCHAR)) {
            pass.over(from, "type of the engine's own making");
            return;
        }
        tokens.accept(Keyword.OBJECT);
        if (!tokens.sign('(')) {
            pass.over(from, "type of the engine's own making");
            return;
        }
        List<FieldDefinition> fields = fields();
        while (tokens.is(Keyword.NOT) || tokens.reads(tokens.at, "FINAL") || tokens.reads(tokens.at, "INSTANTIABLE")
                || tokens.reads(tokens.at, "PERSISTABLE")) {
            tokens.at++;
        }
        define(name, new StructureDefinition(name.name(), fields, ""));
    }

    private List<FieldDefinition> fields() {
        tokens.expectSign('(');
        List<FieldDefinition> fields = new ArrayList<>();
        while (!tokens.acceptSign(')')) {
            boolean method = tokens.reads(tokens.at, "MEMBER") || tokens.reads(tokens.at, "STATIC")
                    || tokens.reads(tokens.at, "CONSTRUCTOR");
            if (method) {
                while (!tokens.atEnd() && !tokens.sign(',') && !tokens.sign(')')) {
                    if (tokens.sign('(')) {
                        tokens.skipRound();
                    } else {
                        tokens.at++;
                    }
                }
            } else {
                String field = tokens.name();
                fields.add(new FieldDefinition(field, types.read().type()));
                if (tokens.accept(Keyword.COLLATE)) {
                    definitions.names().qualified();
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

    void alterType(int from) {
        tokens.at++;
        int at = tokens.at;
        QName name = definitions.names().qualified();
        String key = builder.key(name);
        TypeDefinition type = builder.types.get(key);
        if (tokens.is(Keyword.OWNER) || tokens.is(Keyword.SET)) {
            pass.over(from, "owner");
            return;
        }
        if (type == null) {
            throw StatementException.conflict(at, "no type " + name.name() + " is known here");
        }
        if (tokens.accept(Keyword.ADD, Keyword.VALUE) && type instanceof EnumDefinition enumeration) {
            addValue(key, enumeration);
        } else if (tokens.accept(Keyword.RENAME, Keyword.VALUE) && type instanceof EnumDefinition enumeration) {
            String before = tokens.string();
            tokens.expect(Keyword.TO);
            String now = tokens.string();
            builder.types.put(key, enumeration.with(
                    enumeration.values().stream().map(value -> value.equals(before) ? now : value).toList()));
        } else if (tokens.accept(Keyword.RENAME, Keyword.TO)) {
            rename(key, type, new QName(name.namespace(), tokens.name()));
        } else if (type instanceof StructureDefinition structure && tokens.reads(tokens.at + 1, "ATTRIBUTE")) {
            builder.types.put(key, structure.with(fields(structure)));
        } else {
            pass.over(from, "change of a type");
        }
    }

    /** PostgreSQL manual, ALTER TYPE: the fields of a structured type come, go, change and are renamed. */
    private List<FieldDefinition> fields(StructureDefinition structure) {
        List<FieldDefinition> fields = new ArrayList<>(structure.fields());
        do {
            Keyword verb = tokens.word();
            tokens.at += 2;
            boolean ifThere = tokens.accept(Keyword.IF, Keyword.EXISTS);
            int at = tokens.at;
            String field = tokens.name();
            int place = IntStream.range(0, fields.size()).filter(i -> fields.get(i).name().equals(field)).findFirst()
                    .orElse(-1);
            if (verb != Keyword.ADD && place < 0 && !ifThere) {
                throw StatementException.conflict(at, "the type " + structure.name() + " has no field " + field);
            }
            switch (verb) {
                case ADD -> fields.add(new FieldDefinition(field, types.read().type()));
                case DROP -> fields.removeIf(own -> own.name().equals(field));
                case RENAME -> {
                    tokens.expect(Keyword.TO);
                    fields.set(place, new FieldDefinition(tokens.name(), fields.get(place).type()));
                }
                case ALTER -> {
                    tokens.accept(Keyword.SET, Keyword.DATA);
                    tokens.expect(Keyword.TYPE);
                    fields.set(place, new FieldDefinition(field, types.read().type()));
                }
                default -> throw tokens.unreadable("ADD, DROP, ALTER or RENAME is expected here");
            }
            while (!tokens.atEnd() && !tokens.sign(',')) {
                tokens.at++;
            }
        } while (tokens.acceptSign(','));
        return fields;
    }

    private void addValue(String key, EnumDefinition enumeration) {
        boolean ifAbsent = tokens.accept(Keyword.IF, Keyword.NOT, Keyword.EXISTS);
        String value = tokens.string();
        List<String> values = new ArrayList<>(enumeration.values());
        boolean before = tokens.is(Keyword.BEFORE);
        int place = values.size();
        if (before || tokens.is(Keyword.AFTER)) {
            tokens.at++;
            int neighbour = values.indexOf(tokens.string());
            place = neighbour < 0 ? place : neighbour + (before ? 0 : 1);
        }
        if (!(ifAbsent && values.contains(value))) {
            values.add(place, value);
        }
        builder.types.put(key, enumeration.with(values));
    }

    void rename(String key, TypeDefinition type, QName now) {
        builder.types.remove(key);
        builder.domainRules.move(key, builder.key(now));
        if (builder.requiredTypes.remove(key)) {
            builder.requiredTypes.add(builder.key(now));
        }
        define(now, type.named(now.name()));
        builder.tables()
                .forEach(table -> table.columns.stream()
                        .filter(column -> column.type.equals(new SqlType.UserType(type.name())))
                .forEach(column -> column.type = new SqlType.UserType(now.name())));
    }

    void alterDomain(int from) {
        tokens.at++;
        QName name = definitions.names().qualified();
        String key = builder.key(name);
        Optional<TypeDefinition> type = Optional.ofNullable(builder.types.get(key));
        if (type.isPresent() && tokens.accept(Keyword.RENAME, Keyword.TO)) {
            rename(key, type.get(), new QName(name.namespace(), tokens.name()));
            return;
        }
        if (!(builder.types.get(key) instanceof DomainDefinition domain)) {
            pass.over(from, "change of a type");
            return;
        }
        if (tokens.accept(Keyword.RENAME, Keyword.CONSTRAINT)) {
            String before = tokens.name();
            tokens.expect(Keyword.TO);
            builder.domainRules.rename(key, before, tokens.name());
            builder.types.put(key, domain.withRule(builder.domainRules.all(key)));
        } else if (tokens.accept(Keyword.SET, Keyword.DEFAULT)) {
            builder.types.put(key, domain.withDefault(Optional.of(definitions.expressions().expression())));
        } else if (tokens.accept(Keyword.DROP, Keyword.DEFAULT)) {
            builder.types.put(key, domain.withDefault(Optional.empty()));
        } else if (tokens.accept(Keyword.SET, Keyword.NOT, Keyword.NULL)
                || tokens.accept(Keyword.ADD, Keyword.NOT, Keyword.NULL)) {
            builder.types.put(key, domain.withRequired(true));
        } else if (tokens.accept(Keyword.DROP, Keyword.NOT, Keyword.NULL)) {
            builder.types.put(key, domain.withRequired(false));
        } else if (tokens.accept(Keyword.ADD)) {
            String named =
                    tokens.accept(Keyword.CONSTRAINT) ? definitions.names().qualified().name()
                            : domain.name() + "_check";
            tokens.expect(Keyword.CHECK);
            CheckRule check = new CheckRule(named, tokens.inRound());
            definitions.clauseEnds().constraintEnd();
            builder.domainRules.add(key, check);
            builder.types.put(key, domain.withRule(builder.domainRules.all(key)));
        } else if (tokens.accept(Keyword.DROP, Keyword.CONSTRAINT)) {
            tokens.accept(Keyword.IF, Keyword.EXISTS);
            builder.domainRules.drop(key, tokens.name());
            if (!tokens.accept(Keyword.CASCADE)) {
                tokens.accept(Keyword.RESTRICT);
            }
            builder.types.put(key, domain.withRule(builder.domainRules.all(key)));
        } else {
            pass.over(from, "change of a type");
        }
    }

    void dropType(int from) {
        tokens.at++;
        tokens.accept(Keyword.IF, Keyword.EXISTS);
        List<String> gone = new ArrayList<>();
        do {
            Optional.ofNullable(builder.types.remove(builder.key(definitions.names().qualified())))
                    .ifPresent(type -> gone.add(type.name()));
        } while (tokens.acceptSign(','));
        tokens.accept(Keyword.IF, Keyword.EXISTS);
        if (tokens.accept(Keyword.CASCADE)) {
            gone.forEach(this::withoutColumnsOf);
        } else {
            tokens.accept(Keyword.RESTRICT);
        }
        tokens.accept(Keyword.FORCE);
    }

    /** PostgreSQL manual, DROP TYPE: columns of the type go with it. */
    private void withoutColumnsOf(String type) {
        if (builder.takes(SyntaxRule.DROPPED_TYPE_TAKES_COLUMNS)) {
            builder.tables().forEach(table -> table.columns.stream()
                    .filter(column -> column.type.equals(new SqlType.UserType(type))).toList().forEach(column -> {
                builder.dropReferences(table, List.of(column.name));
                table.drop(column, false);
            }));
        }
    }
}
