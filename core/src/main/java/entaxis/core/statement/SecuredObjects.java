package entaxis.core.statement;

import entaxis.core.schema.ProgramKind;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.SecuredObject;
import java.util.List;

/** The objects that GRANT, REVOKE and OWNER TO name. */
public sealed interface SecuredObjects {
    /** Tables, views, sequences or types; without a word for its kind a name may be one of a sequence too. */
    record Named(SecuredObject kind, List<QualifiedName> names) implements SecuredObjects {
        /** Copies the names. */
        public Named {
            names = List.copyOf(names);
        }
    }

    /** Routines. */
    record Routines(ProgramKind kind, List<ProgramName> names) implements SecuredObjects {
        /** Copies the names. */
        public Routines {
            names = List.copyOf(names);
        }
    }

    /** Whatever there is of a kind in some schemas. */
    record AllIn(SecuredObject kind, List<String> schemas) implements SecuredObjects {
        /** Copies the names. */
        public AllIn {
            schemas = List.copyOf(schemas);
        }
    }
}
