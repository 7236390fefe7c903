package fairkettle.benchwork;

import static fairkettle.procedure.Step.step;

import fairkettle.ink.ChannelCode;
import fairkettle.machine.Architecture;
import fairkettle.machine.BulkKit;
import fairkettle.machine.Handling;
import fairkettle.machine.Profile;
import fairkettle.machine.WasteLines;
import fairkettle.procedure.Ask;
import fairkettle.procedure.Ask.Column;
import fairkettle.procedure.Ask.ColumnKind;
import fairkettle.procedure.Facet;
import fairkettle.procedure.Pause;
import fairkettle.procedure.Step;
import fairkettle.procedure.UsualSteps;
import fairkettle.safety.Caution;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;

/** A machine is carried to another place: what is shut for the way is opened again, in the reverse order. */
final class Transit {

    private Transit() {}

    static List<Step> steps(Profile profile) {
        boolean bulk = profile.architecture() == Architecture.BULK;
        var steps = new ArrayList<Step>();
        steps.add(UsualSteps.off());
        steps.addAll(UsualSteps.lowered(profile));
        if (bulk) {
            steps.add(shut(profile));
        }
        steps.add(fasten(profile));
        steps.add(step("carry", "Carry it level")
                .say("Never tipped, never on its side: ink runs into the vents and across the head. In a car it stands"
                        + " on its feet, wedged, and nothing on top. What one cannot lift easily, two carry.")
                .minutes(10)
                .care(Caution.TIPPING)
                .ask(new Ask.Ticks(List.of("level all the way", "stands level at its new place")))
                .build());
        if (bulk) {
            steps.add(rehang(profile));
            steps.add(open(profile));
        } else if (profile.architecture() == Architecture.FILM) {
            steps.add(step("raise", "Bottles back where they stood")
                    .say("At their height, each on its own line.")
                    .minutes(3)
                    .care(Caution.SQUIRT)
                    .build());
        }
        steps.add(step("settle", "Let it stand")
                .say("What was shaken settles, and air rises: half an hour before it is switched on. From the cold:"
                        + " until nothing is damp.")
                .minutes(0)
                .waits(new Pause("after the way", Duration.ofMinutes(30), null, false))
                .build());
        steps.add(UsualSteps.onAgain(profile));
        steps.add(UsualSteps.check(profile));
        steps.add(step("align", "Align the head, if lines stand beside their place")
                .say("On a check without gaps.")
                .minutes(5)
                .skippable()
                .build());
        return steps;
    }

    /** Only for the way: what stays shut while printing makes a vacuum. */
    private static Step shut(Profile profile) {
        var kit = profile.handling().kit();
        var codes = profile.codes();
        var step = step("shut", shutting(kit))
                .say("For the way only."
                        + (kit.shuts()
                                ? ""
                                : " This kit has nothing that shuts: with the ink below the cartridges it stays where"
                                        + " it is."))
                .minutes(3)
                .restsOn(Handling.Matter.KIT)
                .hold("Before it is lifted.")
                .ask(column(codes, kit.plugs() ? "vent plugged" : kit.valve() ? "nothing runs" : "tank is below"));
        if (kit.plugs()) {
            step.then(Facet.VENT, codes, "plugged");
        }
        if (kit.valve()) {
            step.then(Facet.VALVE, "shut");
        }
        return step.build();
    }

    private static String shutting(BulkKit kit) {
        return kit.plugs()
                ? kit.valve() ? "Plug the vents, shut the valve" : "Plug the vents"
                : kit.valve() ? "Shut the valve" : "Lower the tanks";
    }

    private static Step fasten(Profile profile) {
        var ticks = new ArrayList<String>();
        ticks.add("the head stands docked: the cap seals it on the way");
        ticks.add(
                switch (profile.architecture()) {
                    case BULK -> "tanks off their bracket, upright beside it, tubes without a kink";
                    case FILM -> "bottles upright beside it, tubes without a kink";
                    case TANK, SNAP_IN -> "every tank cap shut";
                    case BAY -> "bags stay in, their door shut";
                    case CARTRIDGE -> "cartridges stay in: they seal the inlets";
                });
        if (profile.handling().wasteLines() != WasteLines.NONE) {
            ticks.add("waste bottle capped, its tube’s end up and wrapped");
        }
        ticks.add("trays in, lids taped from outside");
        return step("fasten", "Make it fast")
                .say("Nothing is laid inside. Where tubes run over the lid’s edge the tape leaves them room.")
                .minutes(5)
                .with("tape", "gloves")
                .care(Caution.INK)
                .ask(new Ask.Ticks(ticks))
                .build();
    }

    /** Its height is part of how it feeds: an inch higher drips, an inch lower starves. */
    private static Step rehang(Profile profile) {
        return step("rehang", "Tanks back at their height")
                .say(
                        profile.handling().kit().bracket() == BulkKit.Bracket.NONE
                                ? "Beside it, as they stood: the surface of the ink level with the cartridges."
                                : "Onto their holder, as they hung: the surface of the ink level with the cartridges.")
                .minutes(3)
                .restsOn(Handling.Matter.KIT)
                .hold("The surface stands level with the cartridges.")
                .care(Caution.TIPPING)
                .ask(new Ask.Ticks(List.of("at their height", "ribbon neither bunches nor pulls")))
                .build();
    }

    private static Step open(Profile profile) {
        var kit = profile.handling().kit();
        return step("vents-open", kit.shuts() ? "Open again what was shut" : "Tanks stand open")
                .say(
                        kit.shuts()
                                ? "In the reverse order. One that stays shut looks like a clog tomorrow."
                                : "Air follows the ink as before.")
                .minutes(2)
                .restsOn(Handling.Matter.KIT)
                .hold("All of them, before power.")
                .ask(column(
                        profile.codes(),
                        kit.plugs() ? "vent open" : kit.valve() ? "ink may run" : "tank at its height"))
                .then(Facet.VENT, profile.codes(), "open")
                .then(Facet.VALVE, "open")
                .build();
    }

    private static Ask.Grid column(List<ChannelCode> codes, String label) {
        return new Ask.Grid(codes, List.of(new Column(label, ColumnKind.TICK, List.of())));
    }
}
