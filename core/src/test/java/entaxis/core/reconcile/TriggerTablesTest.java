package entaxis.core.reconcile;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Where a trigger speaks of a table, and where only of a column or an alias that is called like it. */
class TriggerTablesTest {
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "CREATE TRIGGER lot AFTER INSERT ON lot EXECUTE FUNCTION lot() | "
                + "CREATE TRIGGER lot AFTER INSERT ON batch EXECUTE FUNCTION lot()",
        "CREATE TRIGGER t AFTER UPDATE OF lot ON public.lot FOR EACH ROW WHEN (new.lot > 1) EXECUTE FUNCTION f() | "
                + "CREATE TRIGGER t AFTER UPDATE OF lot ON public.batch FOR EACH ROW WHEN (new.lot > 1) EXECUTE "
                + "FUNCTION f()",
        "CREATE CONSTRAINT TRIGGER t AFTER DELETE ON jar FROM lot EXECUTE FUNCTION f() | "
                + "CREATE CONSTRAINT TRIGGER t AFTER DELETE ON jar FROM batch EXECUTE FUNCTION f()",
        "CREATE TRIGGER t AFTER DELETE ON jar REFERENCING OLD TABLE AS lot EXECUTE FUNCTION f() | "
                + "CREATE TRIGGER t AFTER DELETE ON jar REFERENCING OLD TABLE AS lot EXECUTE FUNCTION f()",
        "CREATE TRIGGER t INSERT ON jar BEGIN UPDATE lot SET lot = lot.lot + 1 WHERE lot IS NOT 2; END | "
                + "CREATE TRIGGER t INSERT ON jar BEGIN UPDATE batch SET lot = batch.lot + 1 WHERE lot IS NOT 2; END",
        "CREATE TRIGGER t INSERT ON jar BEGIN SELECT lot, (SELECT max(lot) FROM a, main.lot) FROM b, lot; END | "
                + "CREATE TRIGGER t INSERT ON jar BEGIN SELECT lot, (SELECT max(lot) FROM a, main.batch) FROM b, "
                + "batch; END",
        "CREATE TRIGGER t INSERT ON jar BEGIN INSERT OR IGNORE INTO lot (lot) VALUES (new.lot); END | "
                + "CREATE TRIGGER t INSERT ON jar BEGIN INSERT OR IGNORE INTO batch (lot) VALUES (new.lot); END",
        "CREATE TRIGGER t INSERT ON jar BEGIN SELECT trim(both from lot) FROM jar JOIN lot ON lot > 1; END | "
                + "CREATE TRIGGER t INSERT ON jar BEGIN SELECT trim(both from lot) FROM jar JOIN batch ON lot > 1; END",
        "CREATE TRIGGER t INSERT ON jar BEGIN DELETE FROM \"lot\" WHERE note IS NOT DISTINCT FROM lot; END | "
                + "CREATE TRIGGER t INSERT ON jar BEGIN DELETE FROM batch WHERE note IS NOT DISTINCT FROM lot; END"})
    void tablesAreToldFromColumns(String before, String after) {
        assertThat(TriggerTables.renamed(before, Map.of("lot", "batch"))).isEqualTo(after);
    }
}
