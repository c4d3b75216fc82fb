package entaxis.core.normalize;

import entaxis.core.design.ColumnPath;

/** Where a column of a relation stands once the relation is taken apart. */
@FunctionalInterface
interface PieceColumns {
    /** The path of a column in a piece. */
    ColumnPath path(int piece, int column);
}
