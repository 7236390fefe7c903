package fairkettle.server.migration;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fairkettle.devdb.ThrowawayPg;
import java.io.IOException;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

/** An upgrade that is killed in the middle of a step leaves the step before, and goes on from there. */
class MigrationKilledTest {

    @Test
    @Timeout(60)
    void theNextStartGoesOnWhereTheLastWholeStepEnded() throws IOException, SQLException {
        try (var pg = ThrowawayPg.start();
                var reader = DriverManager.getConnection(pg.url(), "kettle", "");
                var owner = DriverManager.getConnection(pg.url(), "kettle", "")) {
            flyway(pg, "12").migrate();
            run(owner, "insert into bench (name, place) values ('Window bench', 1)");
            reader.setAutoCommit(false);
            run(reader, "select count(*) from machine"); // whoever reads it keeps the thirteenth waiting in its middle
            var upgrade = CompletableFuture.runAsync(() -> flyway(pg, "latest").migrate());
            while (number(owner, "select count(*) from pg_stat_activity where wait_event_type = 'Lock'") == 0) {
                Thread.onSpinWait();
            }
            run(owner, "select pg_terminate_backend(pid) from pg_stat_activity where wait_event_type = 'Lock'");
            assertThatThrownBy(upgrade::get).isInstanceOf(ExecutionException.class);
            reader.rollback();

            assertThat(number(owner, "select max(version::int) from flyway_schema_history where success"))
                    .as("nothing of the step that was killed is there")
                    .isEqualTo(12);
            flyway(pg, "latest").migrate();
            flyway(pg, "latest").validate();
            assertThat(number(owner, "select count(*) from bench where name = 'Window bench'"))
                    .isEqualTo(1);
        }
    }

    private static Flyway flyway(ThrowawayPg pg, String version) {
        return Flyway.configure()
                .dataSource(pg.url(), "kettle", "")
                .locations("classpath:db/migration")
                .target(version)
                .load();
    }

    private static void run(Connection on, String sql) throws SQLException {
        try (var statement = on.createStatement()) {
            statement.execute(sql);
        }
    }

    private static long number(Connection on, String sql) throws SQLException {
        try (var statement = on.createStatement();
                var row = statement.executeQuery(sql)) {
            row.next();
            return row.getLong(1);
        }
    }
}
