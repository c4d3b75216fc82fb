package entaxis.engines.catalog;

/** Hears how far the reading of a catalog has come. */
@FunctionalInterface
public interface CatalogProgress {
    /** Hears nothing and never stops it. */
    CatalogProgress NONE = rows -> true;

    /**
     * Told now and then.
     *
     * @param rows how many rows the catalog has answered with
     * @return whether to go on
     */
    boolean at(long rows);
}
