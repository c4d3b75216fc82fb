package entaxis.core.reading;

import entaxis.core.expression.Expression;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.SecuredObject;
import entaxis.core.schema.TypeDefinition;
import entaxis.core.schema.TypeDefinition.DomainDefinition;
import entaxis.core.schema.TypeDefinition.EnumDefinition;
import entaxis.core.schema.TypeDefinition.FieldDefinition;
import entaxis.core.schema.TypeDefinition.StructureDefinition;
import entaxis.core.statement.PlacedName;
import entaxis.core.schema.QualifiedName;
import entaxis.core.statement.ScriptStatement;
import entaxis.core.statement.TypeStatement;
import entaxis.core.statement.TypeStatement.FieldChange;
import entaxis.core.syntax.SyntaxRule;
import entaxis.core.type.SqlType;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/** Carries out statements on types and domains. */
final class TypeChanges {
    private static final String OTHER = "change of a type";
    private final SchemaBuilder builder;
    private final TypeResolver types;
    private final ImpliedNames implied;
    private final ReadingLog log;

    TypeChanges(SchemaBuilder builder, TypeResolver types, ImpliedNames implied, ReadingLog log) {
        this.builder = builder;
        this.types = types;
        this.implied = implied;
        this.log = log;
    }

    /** Carries out a statement; false if it is stepped over. */
    boolean apply(TypeStatement change, ScriptStatement statement) {
        switch (change) {
            case TypeStatement.CreateEnumeration(PlacedName name, List<String> values) -> {
                refuseTwice(name);
                define(name.name(), new EnumDefinition(home(name.name()), values, ""));
            }
            case TypeStatement.CreateStructure(PlacedName name, boolean onlyIfAbsent, var fields) -> {
                if (passedAsThere(name, onlyIfAbsent)) {
                    return false;
                }
                define(name.name(), new StructureDefinition(home(name.name()), fields.stream()
                        .map(field -> new FieldDefinition(field.name(), types.type(field.type()))).toList(), ""));
            }
            case TypeStatement.CreateDomain domain -> {
                return createDomain(domain, statement);
            }
            case TypeStatement.CreateAlias(PlacedName name, var base, boolean required) -> {
                refuseTwice(name);
                define(name.name(), DomainDefinition.of(home(name.name()), types.type(base)));
                if (required) {
                    builder.requiredTypes.add(builder.key(name.name()));
                }
            }
            case TypeStatement.DeclareType(PlacedName name) -> refuseTwice(name);
            case TypeStatement.AlterType(PlacedName name, var what) -> {
                return alterType(name, what, statement);
            }
            case TypeStatement.AlterDomain(QualifiedName name, var what) -> {
                return alterDomain(name, what, statement);
            }
            case TypeStatement.DropTypes dropped -> drop(dropped);
        }
        return true;
    }

    private void refuseTwice(PlacedName name) {
        if (builder.types.containsKey(builder.key(name.name()))) {
            throw new ConflictException(name.place(), "a type " + name.name().name() + " is there already");
        }
    }

    private boolean passedAsThere(PlacedName name, boolean onlyIfAbsent) {
        if (onlyIfAbsent && builder.types.containsKey(builder.key(name.name()))) {
            log.steppedOver(name.place(), "type that is there already");
            return true;
        }
        refuseTwice(name);
        return false;
    }

    private void define(QualifiedName name, TypeDefinition type) {
        builder.types.put(builder.key(name),
                type.grants().isPresent() ? type : type.withGrants(builder.grants.usual(SecuredObject.TYPE)));
    }

    private boolean createDomain(TypeStatement.CreateDomain created, ScriptStatement statement) {
        QualifiedName name = created.name().name();
        if (passedAsThere(created.name(), created.onlyIfAbsent())) {
            return false;
        }
        SqlType base = types.type(created.base());
        if (base instanceof SqlType.EnumType(List<String> values)) {
            define(name, new EnumDefinition(home(name), values, ""));
            if (created.defaultValue().isPresent()) {
                log.steppedOver(statement.start(), "default of an enumeration");
            }
            return true;
        }
        String key = builder.key(name);
        builder.domainRules.begin(key);
        for (CheckRule rule : created.rules()) {
            String named = rule.name().isEmpty() ? implied.domainCheck(name.name()) : rule.name();
            builder.domainRules.add(key, rule.named(named));
        }
        builder.domainRules.require(key, created.required());
        define(name, builder.domainRules.put(key,
                DomainDefinition.of(home(name), base).withDefault(created.defaultValue())));
        return true;
    }

    private boolean alterType(PlacedName name, TypeStatement.Change change, ScriptStatement statement) {
        String key = builder.key(name.name());
        TypeDefinition type = builder.types.get(key);
        if (type == null) {
            throw new ConflictException(name.place(), "no type " + name.name().name() + " is known here");
        }
        switch (change) {
            case TypeStatement.AddValue added when type instanceof EnumDefinition enumeration ->
                    builder.types.put(key, withValue(enumeration, added));
            case TypeStatement.RenameValue(String before, String now) when type instanceof EnumDefinition all ->
                    builder.types.put(key,
                            all.with(all.values().stream().map(value -> value.equals(before) ? now : value).toList()));
            case TypeStatement.ChangeFields(var changes) when type instanceof StructureDefinition structure ->
                    builder.types.put(key, structure.with(fields(structure, changes)));
            case TypeStatement.RenameTo(String now) ->
                    rename(key, type, new QualifiedName(name.name().namespace(), now));
            default -> {
                log.steppedOver(statement.start(), OTHER);
                return false;
            }
        }
        return true;
    }

    private static EnumDefinition withValue(EnumDefinition enumeration, TypeStatement.AddValue added) {
        List<String> values = new ArrayList<>(enumeration.values());
        int neighbour = added.neighbour().map(values::indexOf).orElse(-1);
        if (!added.onlyIfAbsent() || !values.contains(added.value())) {
            values.add(neighbour < 0 ? values.size() : neighbour + (added.before() ? 0 : 1), added.value());
        }
        return enumeration.with(values);
    }

    private List<FieldDefinition> fields(StructureDefinition structure, List<FieldChange> changes) {
        List<FieldDefinition> fields = new ArrayList<>(structure.fields());
        for (FieldChange change : changes) {
            switch (change) {
                case FieldChange.Add(String name, var type) ->
                        fields.add(new FieldDefinition(name, types.type(type)));
                case FieldChange.Drop(String name, int place, boolean ifExists) -> {
                    if (!fields.removeIf(field -> field.name().equals(name)) && !ifExists) {
                        throw noField(structure, name, place);
                    }
                }
                case FieldChange.Rename(String name, int place, String now) -> {
                    int field = indexOf(structure, fields, name, place);
                    fields.set(field, new FieldDefinition(now, fields.get(field).type()));
                }
                case FieldChange.Retype(String name, int place, var type) ->
                        fields.set(indexOf(structure, fields, name, place),
                                new FieldDefinition(name, types.type(type)));
            }
        }
        return fields;
    }

    private static int indexOf(StructureDefinition structure, List<FieldDefinition> fields, String name, int place) {
        return IntStream.range(0, fields.size()).filter(i -> fields.get(i).name().equals(name)).findFirst()
                .orElseThrow(() -> noField(structure, name, place));
    }

    private static ConflictException noField(StructureDefinition structure, String name, int place) {
        return new ConflictException(place, "the type " + structure.name() + " has no field " + name);
    }

    /** Gives a type another name, also where columns are of it. */
    void rename(String key, TypeDefinition type, QualifiedName now) {
        builder.types.remove(key);
        builder.domainRules.move(key, builder.key(now));
        if (builder.requiredTypes.remove(key)) {
            builder.requiredTypes.add(builder.key(now));
        }
        TypeDefinition renamed = type.named(home(now));
        define(now, renamed);
        builder.tables().forEach(table -> table.columns.stream().filter(column -> column.type.equals(type.type()))
                .forEach(column -> column.type = renamed.type()));
    }

    private boolean alterDomain(QualifiedName name, TypeStatement.Change change, ScriptStatement statement) {
        String key = builder.key(name);
        TypeDefinition type = builder.types.get(key);
        if (type != null && change instanceof TypeStatement.RenameTo(String now)) {
            rename(key, type, new QualifiedName(name.namespace(), now));
            return true;
        }
        if (!(type instanceof DomainDefinition domain) || !changes(key, domain, change)) {
            log.steppedOver(statement.start(), OTHER);
            return false;
        }
        return true;
    }

    private boolean changes(String key, DomainDefinition domain, TypeStatement.Change change) {
        DomainRules rules = builder.domainRules;
        switch (change) {
            case TypeStatement.RenameRule(String before, String now) -> rules.rename(key, before, now);
            case TypeStatement.AddRule(String name, Expression condition) ->
                    rules.add(key, new CheckRule(name.isEmpty() ? domain.name() + "_check" : name, condition));
            case TypeStatement.DropRule(String name) -> rules.drop(key, name);
            case TypeStatement.SetDefault(var expression) -> {
                builder.types.put(key, domain.withDefault(expression));
                return true;
            }
            case TypeStatement.SetRequired(boolean required) -> rules.require(key, required);
            default -> {
                return false;
            }
        }
        builder.types.put(key, rules.put(key, domain));
        return true;
    }

    /** The name of a type; the default schema goes without saying. */
    private QualifiedName home(QualifiedName name) {
        return name.in(builder.home(name.namespace()));
    }

    private void drop(TypeStatement.DropTypes dropped) {
        List<SqlType> gone = new ArrayList<>();
        dropped.names().forEach(name -> Optional.ofNullable(builder.types.remove(builder.key(name)))
                .ifPresent(type -> gone.add(type.type())));
        if (dropped.cascade()) {
            gone.forEach(this::dropColumnsOf);
        }
    }

    /** PostgreSQL manual, DROP TYPE: columns of the type go with it. */
    private void dropColumnsOf(SqlType type) {
        if (builder.takes(SyntaxRule.DROPPED_TYPE_TAKES_COLUMNS)) {
            builder.tables().forEach(table -> table.columns.stream()
                    .filter(column -> column.type.equals(type)).toList().forEach(column -> {
                        builder.dropReferences(table, List.of(column.name));
                        table.drop(column, false);
                    }));
        }
    }
}
