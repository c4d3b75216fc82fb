package entaxis.core.sql;

import entaxis.core.schema.Grant;
import entaxis.core.schema.ProgramKind;
import entaxis.core.schema.SecuredObject;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** What views, routines and triggers of an engine can have: little is the same in two engines. */
public abstract class ProgramFeatures extends TableFeatures {
    /**
     * What tells routines of one name apart, made of what stands in the brackets behind the name; empty for engines
     * that have only one routine of a name.
     */
    public Optional<String> routineSignature(String arguments) {
        return Optional.empty();
    }

    /** What stands in the brackets behind the name of a routine, without defaults: as DROP and GRANT name it. */
    public String withoutDefaults(String arguments) {
        return arguments;
    }

    /** Whether names of triggers and rules differ within their table only, so that DROP names the table too. */
    public boolean triggersWithinTable() {
        return false;
    }

    /** Whether COMMENT ON takes views, and calls them tables. */
    public boolean commentsOnViewsAsTables() {
        return false;
    }

    /** Which views, routines and triggers have comments, given by COMMENT ON. */
    public Set<ProgramKind> commentedPrograms() {
        return commentsOnViewsAsTables() ? Set.of(ProgramKind.VIEW) : Set.of();
    }

    /** Whether sequences have comments, given by COMMENT ON. */
    public boolean commentsOnSequences() {
        return false;
    }

    /** What is said of something that is to have no comment. */
    public String noComment() {
        return "NULL";
    }

    /** Who may use a new object beside its owner; empty where that is not followed. */
    public Optional<List<Grant>> usualGrants(SecuredObject kind) {
        return Optional.empty();
    }

    /** The privileges that there are on an object. */
    public List<String> privileges(SecuredObject kind) {
        return List.of();
    }
}
