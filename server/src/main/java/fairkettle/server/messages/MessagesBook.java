package fairkettle.server.messages;

import static fairkettle.db.Tables.MESSAGE_HEARD;

import fairkettle.procedure.Consequence;
import fairkettle.server.journal.Act;
import fairkettle.server.journal.Book;
import fairkettle.server.journal.Rows;
import java.util.List;
import org.springframework.stereotype.Component;

/** What machines said. */
@Component
class MessagesBook implements Book {

    private final Messages messages;

    MessagesBook(Messages messages) {
        this.messages = messages;
    }

    @Override
    public Name name() {
        return Name.MESSAGES;
    }

    @Override
    public List<Rows> rows(Act act, Consequence what) {
        return List.of(new Rows(MESSAGE_HEARD, MESSAGE_HEARD.ENTRY_ID.eq(act.entry())));
    }

    @Override
    public void take(Act act, Consequence what) {
        if (!(what instanceof Consequence.Heard heard)) {
            throw new IllegalArgumentException("This book takes no %s.".formatted(what));
        }
        messages.take(act, heard);
    }
}
