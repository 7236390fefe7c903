package fairkettle.server.ledger;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fairkettle.books.EntryKind;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Substance;
import fairkettle.machine.VesselKind;
import fairkettle.path.Place;
import fairkettle.path.Posting;
import fairkettle.server.Api;
import fairkettle.server.ServerTest;
import fairkettle.server.ledger.Ledger.NewEntry;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;

/** The database itself holds the law of the account. */
@ServerTest
class LedgerTest {

    private static final Substance INK = new Substance.Ink(Family.SUBLIMATION, ChannelCode.of("C"), 0);

    @Autowired
    private Ledger ledger;

    @Autowired
    private Api api;

    @Autowired
    private JdbcClient db;

    @Test
    void postingsThatDoNotBalanceAreRefusedByTheDatabase() {
        assertThatThrownBy(() -> ledger.record(
                        NewEntry.of(EntryKind.CHECK, "unbalanced"), List.of(new Posting(Place.Outside.PAPER, INK, 5))))
                .hasStackTraceContaining("do not add up to zero");
        assertThat(db.sql("select count(*) from entry where words = 'unbalanced'")
                        .query(Long.class)
                        .single())
                .isZero();
    }

    @Test
    void aPlaceCannotHoldLessThanNothing() {
        var tank = new Place.InPath(999, ChannelCode.of("C"), VesselKind.TANK);
        ledger.record(
                NewEntry.of(EntryKind.CHECK, "in"),
                List.of(new Posting(Place.Outside.SUPPLIER, INK, -5), new Posting(tank, INK, 5)));
        assertThatThrownBy(() -> ledger.record(
                        NewEntry.of(EntryKind.CHECK, "out"),
                        List.of(new Posting(tank, INK, -6), new Posting(Place.Outside.PAPER, INK, 6))))
                .hasStackTraceContaining("content_microlitres_check");
    }

    @Test
    void theLogIsNeverChanged() {
        ledger.record(NewEntry.of(EntryKind.NOTE, "it was so"), List.of());
        assertThatThrownBy(() ->
                        db.sql("update entry set words = 'it was otherwise'").update())
                .hasStackTraceContaining("append-only");
        assertThatThrownBy(() -> db.sql("delete from entry").update()).hasStackTraceContaining("append-only");
    }

    @Test
    void rebuildingFindsAndMendsWhatWasBroken() {
        api.machine("Rebuilt", "small-tank", "INKED");
        assertThat(ledger.rebuild()).isZero();
        db.sql("update content set microlitres = microlitres + 1 where ctid = (select ctid from content limit 1)")
                .update();
        assertThat(ledger.rebuild()).isEqualTo(1);
        assertThat(ledger.rebuild()).isZero();
    }
}
