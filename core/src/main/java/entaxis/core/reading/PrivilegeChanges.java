package entaxis.core.reading;

import entaxis.core.reading.GrantBook.Holder;
import entaxis.core.schema.Grant;
import entaxis.core.schema.Privileges;
import entaxis.core.schema.SecuredObject;
import entaxis.core.statement.ChangePrivileges;
import entaxis.core.schema.QualifiedName;
import entaxis.core.statement.ScriptStatement;
import entaxis.core.statement.SecuredObjects;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/** Carries out GRANT, REVOKE and OWNER TO. */
final class PrivilegeChanges {
    private static final String KIND = "permission";
    /** These words mean the role that runs the script. It owns what the script makes. */
    private static final Set<String> SELF = Set.of("current_user", "session_user", "current_role");
    private final SchemaBuilder builder;
    private final ProgramChanges programs;
    private final ReadingLog log;

    PrivilegeChanges(SchemaBuilder builder, ProgramChanges programs, ReadingLog log) {
        this.builder = builder;
        this.programs = programs;
        this.log = log;
    }

    /** Gives objects an owner, who may do everything without being told (PostgreSQL manual, ALTER TABLE: OWNER TO). */
    void own(SecuredObjects objects, String role) {
        holders(objects).forEach(holder -> builder.grants.own(holder, role));
    }

    /** ALTER DEFAULT PRIVILEGES: from here on it is not known who may use what is made. */
    void changeDefaults(ScriptStatement statement) {
        builder.grants.changeDefaults();
        log.steppedOver(statement.start(), KIND);
    }

    /** Carries out GRANT or REVOKE as far as what it names is known here. */
    void change(ChangePrivileges change, ScriptStatement statement) {
        List<Holder> holders = holders(change.objects());
        boolean all = !holders.isEmpty();
        for (Holder holder : holders) {
            List<String> known = builder.dialect.privileges(holder.kind());
            all &= known.containsAll(change.privileges().stream().filter(word -> !word.equals(Grant.ALL)).toList());
            Optional<List<Grant>> before = builder.grants.of(holder);
            all &= before.isPresent();
            before.ifPresent(grants -> builder.grants.put(holder,
                    changed(new Privileges(known, grants), change, holder).grants()));
        }
        if (!all) {
            log.steppedOver(statement.start(), KIND);
        }
    }

    private Privileges changed(Privileges before, ChangePrivileges change, Holder holder) {
        Privileges now = before;
        for (String grantee : change.grantees()) {
            boolean owner = builder.grants.isOwner(holder, grantee) || SELF.contains(grantee);
            for (String privilege : change.privileges()) {
                boolean known = privilege.equals(Grant.ALL) || before.all().contains(privilege);
                now = owner || !known ? now
                        : change.revoked() ? now.without(privilege, grantee, change.option())
                        : now.with(new Grant(privilege, grantee, change.option()));
            }
        }
        return now;
    }

    private List<Holder> holders(SecuredObjects objects) {
        return switch (objects) {
            case SecuredObjects.AllIn(SecuredObject kind, List<String> schemas) ->
                    schemas.stream().flatMap(schema -> builder.grants.all(kind, schema).stream()).toList();
            case SecuredObjects.Routines(var kind, var names) ->
                    names.stream().flatMap(name -> programs.named(kind, name).stream())
                            .map(key -> new Holder(SecuredObject.ROUTINE, key)).toList();
            case SecuredObjects.Named(SecuredObject kind, List<QualifiedName> names) ->
                    names.stream().flatMap(name -> holder(kind, name)).toList();
        };
    }

    private Stream<Holder> holder(SecuredObject kind, QualifiedName name) {
        String key = builder.key(name);
        boolean sequence = kind == SecuredObject.TABLE && builder.grants.isSequence(key);
        return Stream.of(new Holder(sequence ? SecuredObject.SEQUENCE : kind, key)).filter(builder.grants::holds);
    }
}
