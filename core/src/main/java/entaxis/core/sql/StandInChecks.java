package entaxis.core.sql;

import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Column;
import entaxis.core.schema.Table;
import entaxis.core.schema.TypeDefinition;
import entaxis.core.schema.TypeDefinition.DomainDefinition;
import entaxis.core.schema.TypeDefinition.EnumDefinition;
import entaxis.core.schema.TypeDefinition.StructureDefinition;
import entaxis.core.sql.AdaptationNote.Kind;
import entaxis.core.sql.TableFeatures.Home;
import entaxis.core.type.SqlType.BooleanType;
import entaxis.core.type.SqlType.EnumType;
import entaxis.core.type.SqlType.IntegerType;
import entaxis.core.type.SqlType.UserType;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/** The checks that stand in for types which an engine does not have. */
record StandInChecks(Dialect dialect, Map<UserType, TypeDefinition> types, List<AdaptationNote> notes) {
    private void say(Kind kind, String table, String element, String words) {
        notes.add(new AdaptationNote(kind, table, element, words));
    }

    /** Checks that stand in for what the engine's type does not refuse. */
    List<CheckRule> of(Table table, Column asked, Column fitted) {
        if (asked.type() == fitted.type() && !(asked.type() instanceof UserType)) {
            return List.of();
        }
        String name = dialect.name(asked.name());
        List<CheckRule> checks = new ArrayList<>();
        if (asked.type() instanceof IntegerType integer && integer.unsigned()
                && !(fitted.type() instanceof IntegerType now && now.unsigned())) {
            checks.add(new CheckRule(checkName(table, asked, "unsigned"), name + " >= 0"));
            say(Kind.WORKED_AROUND, table.label(), asked.name(),
                    "a larger type and a check stand in for " + asked.type().text());
        }
        if (asked.type() instanceof BooleanType && !(fitted.type() instanceof BooleanType)) {
            checks.add(new CheckRule(checkName(table, asked, "truth"), name + " in (0, 1)"));
            say(Kind.WORKED_AROUND, table.label(), asked.name(), "0 and 1 stand for false and true");
        }
        if (asked.type() instanceof EnumType(List<String> values) && !(fitted.type() instanceof EnumType)) {
            checks.add(listed(table, asked, name, values));
        }
        if (asked.type() instanceof UserType type && types.containsKey(type)
                && dialect.home(types.get(type)) != Home.SCHEMA) {
            switch (types.get(type)) {
                case DomainDefinition domain -> {
                    domain.check().ifPresent(check -> checks.add(new CheckRule(checkName(table, asked, domain.name()),
                            dialect.expression(check.condition()).renamed(Map.of("value", name)))));
                    checks.addAll(of(table, asked.withType(domain.base()), fitted));
                    say(Kind.WORKED_AROUND, table.label(), asked.name(),
                            "the domain " + domain.name() + " is spelled out");
                }
                case EnumDefinition enumeration -> {
                    if (!(fitted.type() instanceof EnumType)) {
                        checks.add(listed(table, asked, name, enumeration.values()));
                    }
                }
                case StructureDefinition structure -> { }
            }
        }
        return checks;
    }

    private CheckRule listed(Table table, Column column, String name, List<String> values) {
        say(Kind.WORKED_AROUND, table.label(), column.name(), "a check lists the values");
        return new CheckRule(checkName(table, column, "values"),
                name + " in " + values.stream().map(dialect::literal).collect(Collectors.joining(", ", "(", ")")));
    }

    private static String checkName(Table table, Column column, String what) {
        return "ck_" + table.name() + "_" + column.name() + "_" + what;
    }
}
