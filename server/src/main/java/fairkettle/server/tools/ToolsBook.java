package fairkettle.server.tools;

import static fairkettle.db.Tables.TOOL;

import fairkettle.procedure.Consequence;
import fairkettle.server.journal.Act;
import fairkettle.server.journal.Book;
import fairkettle.server.journal.Rows;
import java.util.List;
import org.springframework.stereotype.Component;

/** Which ink each tool met. */
@Component
class ToolsBook implements Book {

    private final Tools tools;

    ToolsBook(Tools tools) {
        this.tools = tools;
    }

    @Override
    public Name name() {
        return Name.TOOLS;
    }

    @Override
    public List<Rows> rows(Act act, Consequence what) {
        return switch (what) {
            case Consequence.ToolsTaken taken ->
                List.of(new Rows(TOOL, TOOL.ID.in(taken.tools().values()).or(TOOL.ENTRY_ID.eq(act.entry()))));
            case Consequence.ToolSeen seen -> List.of(new Rows(TOOL, TOOL.ID.eq(seen.tool())));
            default -> List.of();
        };
    }

    @Override
    public void take(Act act, Consequence what) {
        switch (what) {
            case Consequence.ToolsTaken taken -> tools.taken(act, taken);
            case Consequence.ToolSeen seen -> tools.seen(seen, act.at());
            default -> throw new IllegalArgumentException("This book takes no %s.".formatted(what));
        }
    }
}
