package fairkettle.measure.clinic;

import fairkettle.clinic.Evidence;
import fairkettle.clinic.GroundRules;
import fairkettle.clinic.Progress;
import fairkettle.clinic.Treatment;
import fairkettle.ink.ChannelCode;
import fairkettle.standin.sick.SickCases.Sick;
import fairkettle.standin.sick.SickMachine;
import java.util.LinkedHashSet;
import java.util.Set;

/** A hand at one sick machine: does what a policy says, and counts broken rules. */
final class Bedside {

    final SickMachine machine;
    final Sick sick;
    Progress so;
    int rulesBroken;
    boolean pageSeen;

    Bedside(Sick sick) {
        this.sick = sick;
        machine = sick.machine();
        so = Progress.of(sick.situation());
    }

    Evidence.Look check() {
        for (var part : sick.situation().channels()) { // whoever stands there sees a low tank
            if (so.level(part.code()) < part.capacity() * .25) {
                machine.fill(part.code());
                so = so.with(new Evidence.Filled(part.code(), part.capacity() * .9));
            }
        }
        var look = machine.check();
        so = so.with(look);
        return look;
    }

    Evidence.Page page() {
        var page = machine.page();
        so = so.with(page);
        return page;
    }

    Evidence.Simple simple() {
        var simple = machine.simple();
        so = so.with(simple);
        return simple;
    }

    void align() {
        machine.align();
    }

    Evidence act(Treatment treatment, Set<ChannelCode> channels) {
        GroundRules.against(treatment, channels, so).ifPresent(why -> {
            rulesBroken++;
            if (Boolean.getBoolean("measure.rules")) {
                System.err.println(treatment + ": " + why);
            }
        });
        Evidence done;
        if (treatment == Treatment.PURGE_SHEET && channels.size() < machine.codes().size()) {
            done = machine.purge(channels);
        } else {
            machine.act(treatment, channels);
            done = new Evidence.Done(treatment, channels);
        }
        so = so.with(done);
        if (machine.parted()) {
            so = so.with(new Evidence.Parted());
        }
        return done;
    }

    Set<ChannelCode> all() {
        return new LinkedHashSet<>(machine.codes());
    }
}
