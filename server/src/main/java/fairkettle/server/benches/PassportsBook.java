package fairkettle.server.benches;

import static fairkettle.db.Tables.ALIGNMENT_PICK;
import static fairkettle.db.Tables.MACHINE;
import static fairkettle.db.Tables.OWED;

import fairkettle.procedure.Consequence;
import fairkettle.server.journal.Act;
import fairkettle.server.journal.Book;
import fairkettle.server.journal.Images;
import fairkettle.server.journal.Rows;
import java.util.List;
import org.springframework.stereotype.Component;

/** What acts write into a machine's passport. */
@Component
class PassportsBook implements Book {

    private final Passports passports;

    PassportsBook(Passports passports) {
        this.passports = passports;
    }

    @Override
    public Name name() {
        return Name.PASSPORTS;
    }

    @Override
    public List<Rows> rows(Act act, Consequence what) {
        return what instanceof Consequence.Noted
                ? List.of(
                        new Rows(MACHINE, MACHINE.ID.eq(act.machine())),
                        new Rows(OWED, OWED.MACHINE_ID.eq(act.machine())))
                : List.of(new Rows(ALIGNMENT_PICK, ALIGNMENT_PICK.ENTRY_ID.eq(act.entry())));
    }

    @Override
    public void take(Act act, Consequence what) {
        switch (what) {
            case Consequence.Noted(var fact, var words) -> passports.write(act.machine(), fact, words);
            case Consequence.Aligned(var picks) -> passports.aligned(act.machine(), act.entry(), picks);
            default -> throw new IllegalArgumentException("This book takes no %s.".formatted(what));
        }
    }

    /** Facts lie in one column: another one that was written since must not keep this one from going. */
    @Override
    public List<String> giveBack(Act act, Consequence what, Images images) {
        if (!(what instanceof Consequence.Noted(var fact, var words))
                || !words.strip().equals(passports.facts(act.machine()).get(fact))) {
            return Book.super.giveBack(act, what, images);
        }
        var before = images.all().stream()
                .filter(i -> i.table().equals(MACHINE.getName()) && i.before() != null)
                .map(i -> java.util.Objects.requireNonNull(i.before())
                        .path("facts")
                        .path(fact.name())
                        .asString(""))
                .findFirst()
                .orElse("");
        passports.rewrite(act.machine(), fact, before);
        return images.without(MACHINE.getName()).restored().stream()
                .map(row -> row + " was changed since, and stays as it is.")
                .toList();
    }
}
