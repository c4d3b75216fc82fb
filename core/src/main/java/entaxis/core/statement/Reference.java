package entaxis.core.statement;

import entaxis.core.schema.Deferral;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.ReferentialAction;
import java.util.List;

/**
 * What stands behind REFERENCES (ISO/IEC 9075-2, 11.8).
 *
 * @param columns the columns of the other table; empty where its key is meant
 */
public record Reference(QualifiedName table, List<String> columns, ReferentialAction onDelete,
        ReferentialAction onUpdate, Deferral deferral) {
    /** Copies the columns. */
    public Reference {
        columns = List.copyOf(columns);
    }
}
