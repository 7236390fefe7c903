package fairkettle.server.web;

import static org.assertj.core.api.Assertions.assertThat;

import jakarta.servlet.FilterChain;
import java.sql.SQLException;
import java.sql.SQLTransientConnectionException;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.transaction.CannotCreateTransactionException;
import tools.jackson.databind.json.JsonMapper;

/** What of the house fails is said by its name. */
class OutageTest {

    static Stream<Arguments> failures() {
        return Stream.of(
                Arguments.of(new SQLException("terminating connection", "57P01"), Outage.DATABASE),
                Arguments.of(new SQLException("connection refused", "08001"), Outage.DATABASE),
                Arguments.of(new SQLTransientConnectionException("timed out after 8000ms"), Outage.DATABASE),
                Arguments.of(new SQLException("Connection is closed"), Outage.DATABASE),
                Arguments.of(new SQLException("could not extend file", "53100"), Outage.DISK),
                Arguments.of(new SQLException("deadlock detected", "40P01"), null),
                Arguments.of(new IllegalStateException("a fault of ours"), null));
    }

    @ParameterizedTest
    @MethodSource("failures")
    void itIsKnownByWhatTheDatabaseSaid(Exception cause, Outage outage) {
        assertThat(Outage.of(new RuntimeException(new RuntimeException(cause)))).isEqualTo(outage);
    }

    @Test
    void whatFailsBeforeAnyControllerIsAProblemDocumentToo() throws Exception {
        var response = answered((_, _) -> {
            throw new CannotCreateTransactionException("no connection", new SQLException("gone", "08006"));
        });
        assertThat(response.getStatus()).isEqualTo(503);
        assertThat(response.getContentType()).isEqualTo("application/problem+json");
        assertThat(response.getContentAsString()).contains("/problems/database", "The database does not answer");
    }

    @Test
    void aFaultOfOursStaysOne() {
        assertThat(org.assertj.core.api.Assertions.catchThrowable(() -> answered((_, _) -> {
                    throw new IllegalStateException("a fault of ours");
                })))
                .hasMessage("a fault of ours");
    }

    private static MockHttpServletResponse answered(FilterChain chain) throws Exception {
        var response = new MockHttpServletResponse();
        new OutageFilter(new Refusals(new JsonMapper())).doFilter(new MockHttpServletRequest(), response, chain);
        return response;
    }
}
