package entaxis.core.sql;

import entaxis.core.schema.Grant;
import entaxis.core.schema.Program;
import entaxis.core.schema.Schema;
import entaxis.core.schema.SecuredObject;
import entaxis.core.schema.Sequence;
import entaxis.core.schema.Table;
import entaxis.core.schema.TypeDefinition;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Writes who may use what (ISO/IEC 9075-2, 12.2 and 12.7): GRANT and REVOKE from what is so to what is wanted. Each
 * method takes who may use the object now; empty for one that was just created. What does not tell who may use it
 * stays as it is.
 */
public final class GrantWriter {
    private final Dialect dialect;
    private final Spelling spelling;
    private final ProgramWriter programs;

    /** A writer for one engine; the options say how names are written. */
    public GrantWriter(Dialect dialect, ScriptOptions options) {
        this.dialect = dialect;
        this.spelling = new Spelling(dialect, options);
        this.programs = new ProgramWriter(dialect, options);
    }

    /** The statements for all that a script creates, but for tables that are left out of it. */
    List<String> ofNew(Schema schema, List<Table> tables) {
        List<String> statements = new ArrayList<>();
        schema.types().forEach(type -> statements.addAll(type(type, Optional.empty())));
        schema.sequences().forEach(sequence -> statements.addAll(sequence(sequence, Optional.empty())));
        tables.forEach(table -> statements.addAll(table(table, Optional.empty())));
        schema.programs().forEach(program -> statements.addAll(program(program, Optional.empty())));
        return statements;
    }

    /** The statements for a table. */
    public List<String> table(Table table, Optional<List<Grant>> before) {
        return grants(SecuredObject.TABLE, spelling.name(table), table.grants(), before);
    }

    /** The statements for a sequence. */
    public List<String> sequence(Sequence sequence, Optional<List<Grant>> before) {
        return grants(SecuredObject.SEQUENCE,
                "SEQUENCE " + spelling.qualified(sequence.namespace(), sequence.name()), sequence.grants(), before);
    }

    /** The statements for a type. */
    public List<String> type(TypeDefinition type, Optional<List<Grant>> before) {
        return grants(SecuredObject.TYPE, "TYPE " + spelling.name(type.qualifiedName()), type.grants(), before);
    }

    /** The statements for a view or routine. */
    public List<String> program(Program program, Optional<List<Grant>> before) {
        return grants(SecuredObject.of(program.kind()), programs.granted(program), program.grants(), before);
    }

    private List<String> grants(SecuredObject kind, String object, Optional<List<Grant>> wanted,
            Optional<List<Grant>> given) {
        if (wanted.isEmpty() || kind == SecuredObject.NONE) {
            return List.of();
        }
        List<Grant> now = wanted.get();
        List<Grant> before = given.or(() -> dialect.usualGrants(kind)).orElse(List.of());
        List<String> statements = new ArrayList<>();
        byGrantee(before.stream().filter(grant -> !now.contains(grant)).toList()).forEach((grantee, privileges) ->
                statements.add("REVOKE " + privileges + " ON " + object + " FROM " + spelled(grantee)));
        byGrantee(now.stream().filter(grant -> !before.contains(grant) && !grant.grantable()).toList())
                .forEach((grantee, privileges) -> statements
                        .add("GRANT " + privileges + " ON " + object + " TO " + spelled(grantee)));
        byGrantee(now.stream().filter(grant -> !before.contains(grant) && grant.grantable()).toList())
                .forEach((grantee, privileges) -> statements.add("GRANT " + privileges + " ON " + object + " TO "
                        + spelled(grantee) + " WITH GRANT OPTION"));
        return statements;
    }

    private String spelled(String grantee) {
        return grantee.equals(Grant.PUBLIC) ? grantee : dialect.name(grantee);
    }

    private static Map<String, String> byGrantee(List<Grant> grants) {
        Map<String, String> privileges = new LinkedHashMap<>();
        grants.forEach(
                grant -> privileges.merge(grant.grantee(), grant.privilege(), (one, other) -> one + ", " + other));
        return privileges;
    }
}
