package entaxis.web.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import entaxis.core.reading.Reading;
import entaxis.core.reverse.ReversedDesign;
import entaxis.core.schema.Column;
import entaxis.core.schema.Table;
import entaxis.core.targets.Target;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ConnectionsTest {

    @TempDir
    private Path folder;

    @Test
    void whatTheOperatorConfiguredIsRead() throws SQLException, IOException, Connections.Unreachable {
        String url = "jdbc:sqlite:" + folder.resolve("field.db");
        try (Connection connection = DriverManager.getConnection(url);
                Statement statement = connection.createStatement()) {
            statement.execute("create table site (site_code char(6) primary key, description text not null)");
        }
        Files.writeString(folder.resolve("connections.properties"), "field.url = " + url
                + "\nfield.engine = sqlite\nodd.url = jdbc:x\nodd.engine = abacus\n"
                + "gone.url = jdbc:postgresql://127.0.0.1:1/none\ngone.engine = postgresql\ngone.user = nobody\n");
        Connections connections =
                new Connections(folder, Optional.empty(), Map.of(), Duration.ofSeconds(3), Duration.ofSeconds(20));
        assertThat(connections.list()).extracting(Connections.Configured::name).containsExactly("field", "gone");
        Reading reading = connections.read("field");
        assertThat(reading.engine()).isEqualTo(Target.SQLITE);
        assertThat(reading.schema().tables().getFirst().columns()).extracting(Column::name).containsExactly("site_code",
                "description");
        assertThatThrownBy(() -> connections.read("gone"))
                .hasMessageContaining("The database “gone” could not be read");
        assertThatThrownBy(() -> connections.read("odd")).hasMessageContaining("No database “odd” can be used");
    }

    /** The driver of every engine comes along; a server that does not answer is told as such. */
    @ParameterizedTest
    @CsvSource({"mysql, jdbc:mariadb://127.0.0.1:1/none",
            "sqlserver, jdbc:sqlserver://127.0.0.1:1;databaseName=none;encrypt=false;loginTimeout=1;"
                    + "connectRetryCount=0",
            "oracle, jdbc:oracle:thin:@//127.0.0.1:1/none"})
    void aServerThatIsNotThereIsTold(String engine, String url) throws IOException {
        Files.writeString(folder.resolve("connections.properties"),
                "gone.url = " + url + "\ngone.engine = " + engine + "\ngone.user = nobody\n");
        assertThatThrownBy(
                () -> new Connections(folder, Optional.empty(), Map.of(), Duration.ofSeconds(3), Duration.ofSeconds(20))
                        .read("gone"))
                .isInstanceOf(Connections.Unreachable.class)
                .hasMessageContaining("The database “gone” could not be read")
                .hasMessageNotContaining("No suitable driver");
    }

    @Test
    void theSiteDatabaseOfTheDemoHasDriftedFromItsDesign() throws Connections.Unreachable {
        Connections connections = new Connections(folder, Optional.of(new SiteDatabase("target/site")), Map.of(),
                Duration.ofSeconds(3), Duration.ofSeconds(20));
        Reading reading = connections.read(SiteDatabase.NAME);
        Set<String> tables = reading.schema().tables().stream().map(Table::name).collect(Collectors.toSet());
        assertThat(tables).contains("accession", "freezer_log").hasSize(20);
        assertThat(reading.schema().table("collector").orElseThrow().column("name")).isPresent();
        ReversedDesign reversed = DesignFromReading.design(reading, "Site", tables, Set.of(), Set.of());
        assertThat(reversed.remarks()).isEmpty();
        assertThat(reversed.design().entities().list()).hasSize(20);
        assertThat(reversed.design().sheet().places()).hasSizeGreaterThanOrEqualTo(20);
    }
}
