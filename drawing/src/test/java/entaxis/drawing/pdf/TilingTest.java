package entaxis.drawing.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.drawing.geometry.Box;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A drawing in true size over several pages: each point is on one, and neighbours share a strip to glue. */
class TilingTest {
    private static final double OVERLAP = 20;

    @ParameterizedTest
    @CsvSource({"100, 80, 1, 1", "300, 200, 1, 1", "301, 200, 2, 1", "580, 380, 2, 2", "581, 380, 3, 2",
        "3000, 40, 11, 1"})
    void pages(double width, double height, int columns, int rows) {
        Tiling tiling = Tiling.of(new Box(-50, 70, width, height), 300, 200, OVERLAP);
        assertThat(tiling.columns()).isEqualTo(columns);
        assertThat(tiling.rows()).isEqualTo(rows);
        assertThat(tiling.windows()).hasSize(columns * rows);
        Box all = tiling.windows().stream().reduce(Box::union).orElseThrow();
        assertThat(all.x()).isEqualTo(-50);
        assertThat(all.y()).isEqualTo(70);
        assertThat(all.right()).isGreaterThanOrEqualTo(-50 + width);
        assertThat(all.bottom()).isGreaterThanOrEqualTo(70 + height);
    }

    @Test
    void neighboursShareAStrip() {
        Tiling tiling = Tiling.of(new Box(0, 0, 1000, 700), 300, 200, OVERLAP);
        for (int row = 0; row < tiling.rows(); row++) {
            for (int column = 0; column < tiling.columns(); column++) {
                Box page = tiling.windows().get(row * tiling.columns() + column);
                if (column > 0) {
                    Box left = tiling.windows().get(row * tiling.columns() + column - 1);
                    assertThat(left.right() - page.x()).isEqualTo(OVERLAP);
                    assertThat(left.y()).isEqualTo(page.y());
                }
                if (row > 0) {
                    Box above = tiling.windows().get((row - 1) * tiling.columns() + column);
                    assertThat(above.bottom() - page.y()).isEqualTo(OVERLAP);
                }
            }
        }
    }
}
