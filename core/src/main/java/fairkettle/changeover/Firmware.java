package fairkettle.changeover;

import static fairkettle.procedure.Step.step;

import fairkettle.machine.Panel;
import fairkettle.procedure.Ask;
import fairkettle.procedure.Branch;
import fairkettle.procedure.Facet;
import fairkettle.procedure.Pause;
import fairkettle.procedure.Step;
import fairkettle.safety.Caution;
import java.time.Duration;
import java.util.List;

/** Firmware that ignores chips: optional, in an order in which every swap costs a machine or a second payment. */
final class Firmware {

    private Firmware() {}

    static List<Step> ignoringChips(Work w) {
        if (!w.patches()) {
            return List.of();
        }
        var mode = w.job.profile().handling().panel().how(Panel.Act.UPDATE_MODE);
        return List.of(
                step("fw-leave-given", "Agree to other firmware")
                        .say("It is not the maker’s. Whether you may is for the law where you live; the warranty"
                                + " ends with it.")
                        .care(Caution.FIRMWARE, Caution.WARRANTY)
                        .hold("Nothing is flashed before this is agreed to; name and date are kept.")
                        .needs(Facet.WARRANTY, "acknowledged")
                        .ask(new Ask.Acknowledge(
                                "I have looked at what is allowed here, and I want other firmware on this machine."))
                        .then(Facet.PERMISSION, "given")
                        .build(),
                step("fw-from", "Where does the file come from?")
                        .say("Seller, page and day, and the checksum that the seller gives: whoever asks in a year"
                                + " finds it here. Still unopened, on a computer that can be spared.")
                        .minutes(3)
                        .care(Caution.FIRMWARE)
                        .needs(Facet.PERMISSION, "given")
                        .ask(new Ask.Words("seller, page, checksum"))
                        .build(),
                step("fw-source", "Look at the file before it is opened")
                        .say("A browser or scanner that blocks it may be wrong, or right: never just keep it. Leave it"
                                + " locked away, compare its checksum with the seller’s, then decide.")
                        .minutes(6)
                        .care(Caution.FIRMWARE)
                        .needs(Facet.PERMISSION, "given")
                        .needs(Facet.INITIALISED, "made")
                        .ask(new Ask.Ticks(List.of(
                                "seller and checksum agree",
                                "computer is of the kind the program needs",
                                "data cable plugged in, network off")))
                        .branch(Branch.stop(
                                "refused",
                                "It differs, or nobody vouches for it",
                                "Refuse it: throw it away unopened, and look over the computer that it came to. Ask the"
                                        + " seller for another; until then the maker’s firmware stays, and chips answer"
                                        + " for the cartridges."))
                        .then(Facet.CABLE, "plugged in")
                        .build(),
                step("fw-mode", "Update mode")
                        .say(mode.say())
                        .minutes(3)
                        .waits(new Pause("keys held", mode.held(), null, false))
                        .needs(Facet.PERMISSION, "given")
                        .needs(Facet.CABLE, "plugged in")
                        .needs(Facet.POWER, "on")
                        .then(Facet.MODE, "update")
                        .build(),
                step("fw-flash", "Flash it")
                        .say("Start, and keep hands off until it shows 100 %. Over the cable, never over the network.")
                        .minutes(1)
                        .care(Caution.NO_POWER_OFF)
                        .irreversible("The maker’s firmware is gone; only the maker’s own update brings it back.")
                        .needs(Facet.MODE, "update")
                        .needs(Facet.CABLE, "plugged in")
                        .waits(new Pause("flashing", Duration.ofMinutes(6), null, true))
                        .then(Facet.FIRMWARE, "ignoring chips")
                        .build(),
                step("fw-out", "Leave update mode")
                        .say("“The update will turn the printer off” may not be true; 100 % is the proof. Cancel to"
                                + " leave.")
                        .minutes(2)
                        .needs(Facet.FIRMWARE, "ignoring chips")
                        .needs(Facet.MODE, "update")
                        .then(Facet.MODE, "normal")
                        .build(),
                step("fw-decline", "Refuse the maker’s updates, switch the reminder off")
                        .say("No, or later, then dismiss. One wrong button starts the update that undoes this. Look"
                                + " at the version again after every connection to a network.")
                        .minutes(3)
                        .hold("Declined before activation, and for ever.")
                        .needs(Facet.MODE, "normal")
                        .needs(Facet.FIRMWARE, "ignoring chips")
                        .ask(new Ask.Ticks(
                                List.of("update declined", "reminder switched off", "automatic updates off")))
                        .then(Facet.UPDATES, "refused")
                        .tells(Step.Tells.UPDATES_REFUSED)
                        .build(),
                step("fw-version", "Write the version down")
                        .say("As the machine shows it now. It is how you will see later that nothing changed it.")
                        .minutes(1)
                        .needs(Facet.UPDATES, "refused")
                        .ask(new Ask.Words("version shown"))
                        .tells(Step.Tells.FIRMWARE_VERSION)
                        .build(),
                step("fw-activate", "Activate")
                        .say("Enter the key. Leave the window that shows the activation code open.")
                        .minutes(3)
                        .irreversible("The key is used up for this machine.")
                        .needs(Facet.UPDATES, "refused")
                        .needs(Facet.FIRMWARE, "ignoring chips")
                        .then(Facet.ACTIVATION, "done")
                        .build(),
                step("fw-code", "Store the activation code")
                        .say("Into the vault, now, before the window is closed or a file deleted: it activates this"
                                + " machine again after an accident without paying twice.")
                        .minutes(2)
                        .hold("Stored and read back.")
                        .needs(Facet.ACTIVATION, "done")
                        .ask(new Ask.KeyStored())
                        .then(Facet.CODE, "stored")
                        .build());
    }
}
