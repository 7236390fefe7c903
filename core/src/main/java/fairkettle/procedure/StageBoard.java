package fairkettle.procedure;

import fairkettle.ink.ChannelCode;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** How far every channel of a card has come, for whoever takes it over. */
public final class StageBoard {

    private StageBoard() {}

    /** In the order in which a channel goes through them. */
    public enum Stage {
        NOT_STARTED("not started"),
        DRAINED("drained"),
        FLUSHED("flushed"),
        FILLED("filled"),
        PRIMED("primed"),
        VERIFIED("verified");

        private final String label;

        Stage(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    /**
     * By channel, in the order in which the card names them. A channel that its procedure never touches is left out.
     */
    public static Map<ChannelCode, Stage> of(Card card) {
        var state = card.state();
        var start = MachineState.USUAL.with(card.start());
        var channels = new ArrayList<ChannelCode>();
        card.runs()
                .forEach(r -> r.step().effects().forEach(e -> {
                    if (e.channel() != null && !channels.contains(e.channel())) {
                        channels.add(e.channel());
                    }
                }));
        var board = new LinkedHashMap<ChannelCode, Stage>();
        boolean charged = state.value(Facet.CHARGE, null).equals("charged");
        boolean verified = state.value(Facet.CHECK, null).equals("passed");
        channels.forEach(c -> board.put(c, stage(start, state, c, charged, verified)));
        return board;
    }

    private static Stage stage(
            MachineState start, MachineState state, ChannelCode c, boolean charged, boolean verified) {
        var fill = state.value(Facet.FILL, c);
        var cartridge = state.value(Facet.CARTRIDGE, c);
        boolean filled = !fill.equals("not filled")
                || cartridge.equals("filled")
                || state.value(Facet.FLUID, c).equals("on fluid");
        boolean primed = List.of("primed", "clicked in").contains(cartridge);
        if (filled && charged && verified) {
            return Stage.VERIFIED;
        }
        if (primed || filled && charged) {
            return Stage.PRIMED;
        }
        if (filled) {
            return Stage.FILLED;
        }
        var tank = state.value(Facet.TANK, c);
        if (tank.equals(start.value(Facet.TANK, c))) {
            return Stage
                    .NOT_STARTED; // a slot that was never inked counts as chased, although nothing was done to it yet
        }
        return tank.equals("drained") ? Stage.DRAINED : Stage.FLUSHED;
    }
}
