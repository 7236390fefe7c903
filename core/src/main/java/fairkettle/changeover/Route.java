package fairkettle.changeover;

import fairkettle.changeover.ChannelPlan.Doing;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Holding;
import fairkettle.machine.Architecture;
import fairkettle.machine.Channel;
import fairkettle.machine.Chips;
import fairkettle.machine.Feed;
import fairkettle.machine.Fit;
import fairkettle.machine.Profile;
import fairkettle.machine.VesselKind;
import fairkettle.procedure.Procedure;
import fairkettle.safety.School;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * The ways a changeover can go, the usual one first where several suit. Everything about a route stands with it: when
 * it suits, what it leaves of the machine, and the shared parts it is made of. A new route is a new constant and
 * nothing else.
 */
public enum Route {
    FIRST_FILL("First fill") {
        @Override
        Optional<String> hindrance(Job job, Profile now) {
            return !job.neverInked()
                    ? Optional.of("It has held ink before; that comes out first.")
                    : now.architecture() == Architecture.BAY
                            ? Optional.of(SEALED_BAGS)
                            : job.family().food()
                                    ? Optional.of("A machine for food has a start of its own.")
                                    : now.architecture() == Architecture.BULK
                                            ? Optional.of("A bulk system is filled chamber by chamber.")
                                            : now.architecture() == Architecture.CARTRIDGE
                                                            && !job.family().makers()
                                                    ? Optional.of("Its own cartridges cannot be filled with this ink.")
                                                    : job.family() == Family.FILM
                                                                    && now.architecture() != Architecture.FILM
                                                            ? Optional.of(NOT_A_FILM_MACHINE)
                                                            : Optional.empty();
        }

        @Override
        Procedure procedure(Work w) {
            return !w.cartridges()
                    ? fillInPlace(w)
                    : w.begin(true)
                            .part("Power", Powering.on(w, false))
                            .part("Cartridges", Cartridges.makersIn(w))
                            .part("Charge", Charging.charge(w))
                            .part("Commission", Commissioning.of(w, false))
                            .from(w.start());
        }

        @Override
        Charge charge(Job job, Terms terms, Fit becoming) {
            return Charge.INITIAL;
        }

        @Override
        boolean suppliesCartridges(Job job) {
            return job.profile().architecture() == Architecture.CARTRIDGE;
        }
    },

    EDIBLE_START("Start for food") {
        @Override
        Optional<String> hindrance(Job job, Profile now) {
            return !job.family().food()
                    ? Optional.of("Only edible ink starts a machine for food.")
                    : !job.neverInked()
                            ? Optional.of("Only a machine that was never inked can be started for food.")
                            : now.architecture() == Architecture.BAY
                                    ? Optional.of(SEALED_BAGS)
                                    : now.architecture() == Architecture.FILM
                                            ? Optional.of("A film machine’s powder and binder have no place near food.")
                                            : now.architecture() == Architecture.BULK
                                                    ? Optional.of(
                                                            "Outboard tanks and their ribbon are not made for food.")
                                                    : chipsFor(job) == Chips.IGNORED
                                                            ? Optional.of(
                                                                    "Firmware that ignores chips needs a first start"
                                                                        + " on the maker’s own cartridges, and their"
                                                                        + " ink is not food. Choose chips that reset.")
                                                            : Optional.empty();
        }

        @Override
        Fit becomes(Job job) {
            return job.profile().architecture() == Architecture.CARTRIDGE
                    ? job.fit().fedBy(Feed.REFILLABLE).chipped(chipsFor(job))
                    : job.fit();
        }

        @Override
        Set<VesselKind> renewed(Job job, Terms terms, Channel before, ChannelCode after) {
            return newCartridges(job);
        }

        @Override
        boolean asksAboutChips() {
            return true;
        }

        @Override
        Procedure procedure(Work w) {
            return w.cartridges() ? fillOnTheTray(w) : fillInPlace(w);
        }

        @Override
        Charge charge(Job job, Terms terms, Fit becoming) {
            return job.profile().architecture() == Architecture.CARTRIDGE ? Charge.THREE_CLEANINGS : Charge.INITIAL;
        }
    },

    WAKE("Wake from rest") {
        @Override
        Optional<String> hindrance(Job job, Profile now) {
            return job.channels().values().stream()
                                    .allMatch(n -> n.holding() instanceof Holding.Parked(var family, var make, var _)
                                            && family == job.family()
                                            && (family.makers()
                                                    || make.equals(job.wish().make())))
                            && job.wish().purpose() == Purpose.CHANGE
                    ? Optional.empty()
                    : Optional.of("It is not parked, or held another ink before.");
        }

        @Override
        boolean washesHead(Job job) {
            return true;
        }

        @Override
        Procedure procedure(Work w) {
            return w.cartridges()
                    ? fillOnTheTray(w)
                    : w.job.profile().architecture() == Architecture.BULK ? renewBulk(w) : drainAndFill(w);
        }

        @Override
        boolean rinsesFluidOut() {
            return true;
        }

        @Override
        Set<VesselKind> renewed(Job job, Terms terms, Channel before, ChannelCode after) {
            return newCartridges(job);
        }
    },

    DRAIN_AND_SWAP("Drain and swap") {
        @Override
        Optional<String> hindrance(Job job, Profile now) {
            return job.neverInked()
                    ? Optional.of("It was never inked: there is nothing to drain.")
                    : job.family().makers() && job.wish().purpose() == Purpose.CHANGE && converted(job)
                            ? Optional.of("The way back to the maker’s ink has a route of its own.")
                            : now.architecture() == Architecture.BAY
                                    ? Optional.of(SEALED_BAGS)
                                    : !Set.of(Architecture.TANK, Architecture.SNAP_IN, Architecture.FILM)
                                                    .contains(now.architecture())
                                            ? Optional.of("There are no tanks and tubes to drain.")
                                            : job.family() == Family.FILM && now.architecture() != Architecture.FILM
                                                    ? Optional.of(NOT_A_FILM_MACHINE)
                                                    : Optional.empty();
        }

        @Override
        boolean washesHead(Job job) {
            return headLeftToTheFlow(job);
        }

        @Override
        Set<VesselKind> renewed(Job job, Terms terms, Channel before, ChannelCode after) {
            return renewedOnTanks(job, terms, before, after);
        }

        @Override
        Procedure procedure(Work w) {
            return drainAndFill(w);
        }
    },

    GO_BACK("Go back to the maker’s ink") {
        @Override
        Optional<String> hindrance(Job job, Profile now) {
            return !job.family().makers()
                    ? Optional.of("Only the maker’s ink is the way back.")
                    : job.neverInked()
                            ? Optional.of("It was never inked.")
                            : !converted(job) && !swapsCartridges(job)
                                    ? Optional.of("It holds the maker’s ink already.")
                                    : Optional.empty();
        }

        @Override
        Fit becomes(Job job) {
            return swapsCartridges(job) ? Fit.asBuilt(job.built()) : job.fit();
        }

        @Override
        Set<VesselKind> renewed(Job job, Terms terms, Channel before, ChannelCode after) {
            return swapsCartridges(job)
                    ? EnumSet.of(VesselKind.TANK, VesselKind.TUBE, VesselKind.CARTRIDGE)
                    : renewedOnTanks(job, terms, before, after);
        }

        @Override
        boolean washesHead(Job job) {
            return headLeftToTheFlow(job);
        }

        @Override
        Charge charge(Job job, Terms terms, Fit becoming) {
            return job.profile().architecture() == Architecture.CARTRIDGE
                    ? Charge.THREE_CLEANINGS
                    : powerUnlessSpared(job, terms);
        }

        @Override
        boolean comesOffWhole(Job job) {
            return swapsCartridges(job);
        }

        @Override
        boolean suppliesCartridges(Job job) {
            return swapsCartridges(job);
        }

        @Override
        Procedure procedure(Work w) {
            return swapsCartridges(w.job)
                    ? w.begin(false)
                            .part("Power", Powering.onUnlessStarted(w))
                            .part("Take it out", Cartridges.out(w))
                            .part("Cartridges", Cartridges.makersIn(w))
                            .part("Charge", Charging.charge(w))
                            .part("Commission", Commissioning.of(w, true))
                            .from(w.start())
                    : drainAndFill(w);
        }

        private static boolean swapsCartridges(Job job) {
            return Set.of(Architecture.CARTRIDGE, Architecture.BULK)
                    .contains(job.profile().architecture());
        }
    },

    REFILLABLES("Refillable cartridges") {
        @Override
        Optional<String> hindrance(Job job, Profile now) {
            return now.architecture() != Architecture.CARTRIDGE
                    ? Optional.of("It has no cartridges.")
                    : job.family() == Family.FILM
                            ? Optional.of(NOT_A_FILM_MACHINE)
                            : job.family().food() && job.neverInked()
                                    ? Optional.of("A machine for food has a start of its own.")
                                    : chipHindrance(job);
        }

        @Override
        Fit becomes(Job job) {
            return job.fit().fedBy(Feed.REFILLABLE).chipped(chipsFor(job));
        }

        @Override
        Set<VesselKind> renewed(Job job, Terms terms, Channel before, ChannelCode after) {
            return EnumSet.of(VesselKind.CARTRIDGE);
        }

        @Override
        boolean washesHead(Job job) {
            return true;
        }

        @Override
        boolean starters(Job job, Terms terms) {
            return startersFirst(job, terms);
        }

        @Override
        Charge charge(Job job, Terms terms, Fit becoming) {
            return becoming.chips() == Chips.IGNORED ? powerUnlessSpared(job, terms) : Charge.THREE_CLEANINGS;
        }

        @Override
        boolean asksAboutChips() {
            return true;
        }

        @Override
        Procedure procedure(Work w) {
            return w.begin(w.job.neverInked())
                    .part("Fill on the tray", Cartridges.onTheTray(w))
                    .part("First start", Cartridges.starters(w))
                    .part("Power", Powering.onUnlessStarted(w))
                    .part("Firmware", Firmware.ignoringChips(w))
                    .part("Swap", Cartridges.in(w))
                    .part("Charge", Charging.charge(w))
                    .part("Commission", Commissioning.of(w, w.dirty()))
                    .from(w.start());
        }
    },

    BULK_FEED("Bulk feed") {
        @Override
        Optional<String> hindrance(Job job, Profile now) {
            return now.architecture() != Architecture.CARTRIDGE
                    ? Optional.of("A bulk feed is fitted to a cartridge machine.")
                    : job.family() == Family.FILM
                            ? Optional.of(NOT_A_FILM_MACHINE)
                            : job.family().food()
                                    ? Optional.of("Outboard tanks and their ribbon are not made for food.")
                                    : chipHindrance(job);
        }

        @Override
        Fit becomes(Job job) {
            return job.fit().fedBy(Feed.BULK).chipped(chipsFor(job));
        }

        @Override
        Set<VesselKind> renewed(Job job, Terms terms, Channel before, ChannelCode after) {
            return EnumSet.of(VesselKind.TANK, VesselKind.TUBE, VesselKind.CARTRIDGE);
        }

        @Override
        boolean washesHead(Job job) {
            return true;
        }

        @Override
        boolean starters(Job job, Terms terms) {
            return startersFirst(job, terms);
        }

        @Override
        Charge charge(Job job, Terms terms, Fit becoming) {
            return Charge.THREE_CLEANINGS;
        }

        @Override
        boolean asksAboutChips() {
            return true;
        }

        @Override
        Procedure procedure(Work w) {
            return w.begin(w.job.neverInked())
                    .part("First start", Cartridges.starters(w))
                    .part("Power", Powering.beforeRebuild(w))
                    .part("Firmware", Firmware.ignoringChips(w))
                    .part("Build it on the bench", BulkFeed.build(w))
                    .part("Fill and prime", BulkFeed.fill(w))
                    .part("Hang it", BulkFeed.hang(w))
                    .part("Open it", BulkFeed.open(w))
                    .part("Charge", Charging.charge(w))
                    .part("Commission", Commissioning.of(w, w.dirty()))
                    .from(w.start());
        }
    },

    RENEW_BULK("Empty and renew the bulk feed") {
        @Override
        Optional<String> hindrance(Job job, Profile now) {
            return now.architecture() != Architecture.BULK
                    ? Optional.of("There is no bulk feed to empty.")
                    : job.family() == Family.FILM
                            ? Optional.of(NOT_A_FILM_MACHINE)
                            : job.family().makers() && job.wish().purpose() == Purpose.CHANGE
                                    ? Optional.of("The way back to the maker’s ink has a route of its own.")
                                    : job.family().food()
                                            ? Optional.of("Outboard tanks and their ribbon are not made for food.")
                                            : Optional.empty();
        }

        @Override
        boolean washesHead(Job job) {
            return true;
        }

        @Override
        Charge charge(Job job, Terms terms, Fit becoming) {
            return Charge.THREE_CLEANINGS;
        }

        @Override
        Procedure procedure(Work w) {
            return renewBulk(w);
        }
    },

    FILM_REBUILD("Rebuild for film") {
        @Override
        Optional<String> hindrance(Job job, Profile now) {
            return job.family() != Family.FILM
                    ? Optional.of("Only film ink needs a rebuild.")
                    : now.architecture() == Architecture.FILM
                            ? Optional.of("It is a film machine already.")
                            : now.architecture() == Architecture.SNAP_IN
                                    ? Optional.of(
                                            "Snap-in heads do not carry film ink, and there is no slot for white.")
                                    : now.channels().size() < 6
                                            ? Optional.of(
                                                    "It has %d slots, and film needs four colours and at least one white."
                                                            .formatted(now.channels()
                                                                    .size()))
                                            : chipHindrance(job);
        }

        @Override
        Fit becomes(Job job) {
            return job.fit().fedBy(Feed.FILM).chipped(chipsFor(job));
        }

        @Override
        Set<VesselKind> renewed(Job job, Terms terms, Channel before, ChannelCode after) {
            if (job.profile().architecture() == Architecture.BAY) {
                return EnumSet.of(VesselKind.TANK);
            }
            return before.first().kind() == VesselKind.TANK && job.profile().architecture() == Architecture.TANK
                    ? after.white() ? EnumSet.of(VesselKind.TUBE, VesselKind.DAMPER) : EnumSet.of(VesselKind.DAMPER)
                    : EnumSet.of(VesselKind.TANK, VesselKind.TUBE, VesselKind.CARTRIDGE, VesselKind.DAMPER);
        }

        @Override
        boolean washesHead(Job job) {
            return true;
        }

        @Override
        boolean starters(Job job, Terms terms) {
            return job.neverInked() && job.profile().architecture() == Architecture.CARTRIDGE;
        }

        @Override
        boolean comesOffWhole(Job job) {
            return !Set.of(Architecture.TANK, Architecture.BAY)
                    .contains(job.profile().architecture());
        }

        @Override
        boolean asksAboutChips() {
            return true;
        }

        @Override
        Procedure procedure(Work w) {
            return w.begin(w.job.neverInked())
                    .part("First start", FilmRebuild.knownGood(w))
                    .part("Power to begin with", Powering.beforeRebuild(w))
                    .part("Firmware", Firmware.ignoringChips(w))
                    .part("Open up", Opening.up(w))
                    .part("Draw out the old ink", Drawing.out(w))
                    .part("Rinse", Drawing.rinse(w))
                    .part("Rollers off", FilmRebuild.rollers(w))
                    .part("Lines for film", FilmRebuild.lines(w))
                    .part("Waste line", FilmRebuild.waste(w))
                    .part("Head", FilmRebuild.head(w))
                    .part("Firmware and image", FilmRebuild.processing(w))
                    .part("Fill", Filling.tanks(w))
                    .part("Put back", Opening.close(w))
                    .part("Power", Powering.on(w, true))
                    .part("Charge", Charging.charge(w))
                    .part("Film path", FilmRebuild.path(w))
                    .part("Commission", Commissioning.of(w, w.dirty()))
                    .from(w.start());
        }
    },

    PARK("Park on fluid") {
        @Override
        Optional<String> hindrance(Job job, Profile now) {
            return job.wish().purpose() != Purpose.PARK
                    ? Optional.of("Nobody asked to park it.")
                    : now.architecture() == Architecture.BAY
                            ? Optional.of(
                                    "Its bags are sealed, and no fluid goes in: keep it printing, a page every few"
                                            + " days.")
                            : job.neverInked()
                                    ? Optional.of("It was never inked: close it and leave it dry.")
                                    : job.parked() ? Optional.of("It is parked already.") : Optional.empty();
        }

        @Override
        boolean washesHead(Job job) {
            return true;
        }

        @Override
        Set<VesselKind> renewed(Job job, Terms terms, Channel before, ChannelCode after) {
            return newCartridges(job);
        }

        @Override
        Charge charge(Job job, Terms terms, Fit becoming) {
            return Charge.ONE_CLEANING;
        }

        @Override
        Procedure procedure(Work w) {
            var route = w.begin(false);
            switch (w.job.profile().architecture()) {
                case CARTRIDGE ->
                    route.part("Fill on the tray", Parking.cartridges(w)).part("Swap", Cartridges.in(w));
                case BULK ->
                    route.part("Empty it", BulkFeed.empty(w))
                            .part("Rinse", Drawing.rinse(w))
                            .part("On fluid", Parking.fluid(w))
                            .part("Put back", BulkFeed.back(w));
                case TANK, BAY, FILM, SNAP_IN ->
                    route.part("Open up", Opening.up(w))
                            .part("Draw out the ink", Drawing.out(w))
                            .part("Rinse", Drawing.rinse(w))
                            .part("Put the lines back", Opening.join(w))
                            .part("On fluid", Parking.fluid(w))
                            .part("Put back", Opening.close(w))
                            .part("Power", Powering.on(w, true));
            }
            return route.part("To rest", Parking.rest(w)).from(w.start());
        }
    };

    private static final String SEALED_BAGS =
            "Its bags are sealed: they are not filled. A rebuild puts tanks in their" + " place.";
    private static final String NOT_A_FILM_MACHINE = "Film ink goes into a film machine, or into one rebuilt for it.";
    private static final List<ChannelCode> LIGHT =
            Stream.of("GY", "PK", "LC", "LM").map(ChannelCode::of).toList();

    private final String label;

    Route(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }

    /** Why this route does not exist for the job; empty if it does. */
    abstract Optional<String> hindrance(Job job, Profile now);

    abstract Procedure procedure(Work work);

    /** What the machine is like afterwards, but for what its slots carry. */
    Fit becomes(Job job) {
        return job.fit();
    }

    /** Vessels that are replaced by new ones, or come off for good. */
    Set<VesselKind> renewed(Job job, Terms terms, Channel before, ChannelCode after) {
        return EnumSet.noneOf(VesselKind.class);
    }

    /** Whether the head is only made clean by what flows through it. */
    boolean washesHead(Job job) {
        return false;
    }

    boolean starters(Job job, Terms terms) {
        return false;
    }

    /** How the filled path is charged: usually by a power cleaning, unless the shop spares them. */
    Charge charge(Job job, Terms terms, Fit becoming) {
        return powerUnlessSpared(job, terms);
    }

    /** Whether what holds the old ink is taken off with it, so that nothing is drawn out. */
    boolean comesOffWhole(Job job) {
        return job.profile().architecture() == Architecture.CARTRIDGE;
    }

    /** Whether cartridges come full, from the maker. */
    boolean suppliesCartridges(Job job) {
        return false;
    }

    /** Whether new cartridges or other firmware come, so that chips have to be answered. */
    boolean asksAboutChips() {
        return false;
    }

    /** Whether what is rinsed out is fluid, and not old ink: then only new ink rinses. */
    boolean rinsesFluidOut() {
        return false;
    }

    /** Three light cleanings do it where cartridges were primed; an empty line takes more than they draw. */
    private static Charge powerUnlessSpared(Job job, Terms terms) {
        boolean empty = job.profile().channels().getFirst().has(VesselKind.TUBE);
        return !empty && terms.follows(School.POWER_CLEANING, "spare") ? Charge.THREE_CLEANINGS : Charge.POWER_CLEANING;
    }

    /** Tanks are filled where they stand, before or after the power comes on, as the machine's guide has it. */
    private static Procedure fillInPlace(Work w) {
        var route = w.begin(true);
        if (w.job.profile().headsByUser()) {
            route.part("Heads", Filling.heads(w));
        }
        if (w.powerFirst()) {
            route.part("Power", Powering.on(w, false)).part("Fill", Filling.tanks(w));
        } else {
            route.part("Fill", Filling.tanks(w)).part("Power", Powering.on(w, false));
        }
        return route.part("Charge", Charging.charge(w))
                .part("Commission", Commissioning.of(w, false))
                .from(w.start());
    }

    /** Cartridges are filled on the tray and swapped in. */
    private static Procedure fillOnTheTray(Work w) {
        return w.begin(w.job.neverInked())
                .part("Fill on the tray", Cartridges.onTheTray(w))
                .part("Power", Powering.on(w, false))
                .part("Swap", Cartridges.in(w))
                .part("Charge", Charging.charge(w))
                .part("Commission", Commissioning.of(w, false))
                .from(w.start());
    }

    /**
     * A head that no rinse reaches is left to the flow where purity stands above all, and where more than dye went
     * through it.
     */
    private static boolean headLeftToTheFlow(Job job) {
        return job.wish().purpose() == Purpose.RENEW || job.profile().architecture() != Architecture.TANK;
    }

    private static Set<VesselKind> newCartridges(Job job) {
        return job.profile().architecture() == Architecture.CARTRIDGE
                ? EnumSet.of(VesselKind.CARTRIDGE)
                : EnumSet.noneOf(VesselKind.class);
    }

    /** It holds, or held, ink that the maker does not sell. */
    private static boolean converted(Job job) {
        return job.channels().values().stream()
                .map(Job.Now::holding)
                .anyMatch(h -> h instanceof Holding.Unknown
                        || h.ink().filter(f -> !f.makers()).isPresent());
    }

    /** The routes that exist for a job, the usual one first. */
    static List<Route> suiting(Job job) {
        var now = job.profile();
        boolean park = job.wish().purpose() == Purpose.PARK;
        return Stream.of(values())
                .filter(r -> (r == PARK) == park && r.hindrance(job, now).isEmpty())
                .toList();
    }

    private static Procedure drainAndFill(Work w) {
        return w.begin(false)
                .part("Power to begin with", Powering.toOpen(w))
                .part("Open up", Opening.up(w))
                .part("Draw out the old ink", Drawing.out(w))
                .part("Rinse", Drawing.rinse(w))
                .part("Put the lines back", Opening.join(w))
                .part("Fill", Filling.tanks(w))
                .part("Put back", Opening.close(w))
                .part("Power", Powering.on(w, true))
                .part("Charge", Charging.charge(w))
                .part("Commission", Commissioning.of(w, true))
                .from(w.start());
    }

    private static Procedure renewBulk(Work w) {
        return w.begin(w.job.neverInked())
                .part("Power to begin with", Powering.toBeginWith(w))
                .part("Empty it", BulkFeed.empty(w))
                .part("Rinse", Drawing.rinse(w))
                .part("Fill and prime", BulkFeed.refill(w))
                .part("Put back", BulkFeed.back(w))
                .part("Power", Powering.on(w, false))
                .part("Charge", Charging.charge(w))
                .part("Commission", Commissioning.of(w, w.dirty()))
                .from(w.start());
    }

    private static Set<VesselKind> renewedOnTanks(Job job, Terms terms, Channel before, ChannelCode after) {
        var renewed = EnumSet.noneOf(VesselKind.class);
        if (job.profile().architecture() == Architecture.FILM && job.family() != Family.FILM) {
            renewed.add(VesselKind.HEAD);
        }
        var dampers = terms.position(School.NEW_DAMPER).id();
        if (before.has(VesselKind.DAMPER)
                && (dampers.equals("all")
                        || dampers.equals("white") && (before.code().white() || after.white()))) {
            renewed.add(VesselKind.DAMPER);
        }
        return renewed;
    }

    /** How the chips of the machine are answered: as wished, as before, or in the usual way. */
    private static Chips chipsFor(Job job) {
        if (job.built().chips().isEmpty()) {
            return Chips.NONE;
        }
        var wished = job.wish().chips();
        return wished != null
                ? wished
                : job.fit().chips() != Chips.MAKERS
                        ? job.fit().chips()
                        : job.built().chips().getFirst();
    }

    private static Optional<String> chipHindrance(Job job) {
        var chips = chipsFor(job);
        return chips == Chips.NONE || job.built().chips().contains(chips)
                ? Optional.empty()
                : Optional.of("There are no cartridges with %s for this machine; there are: %s."
                        .formatted(
                                chips.label(),
                                String.join(
                                        ", ",
                                        job.built().chips().stream()
                                                .map(Chips::label)
                                                .toList())));
    }

    private static boolean startersFirst(Job job, Terms terms) {
        return job.neverInked()
                && !job.family().food()
                && (chipsFor(job) == Chips.IGNORED
                        || terms.follows(School.STARTER_CARTRIDGES, "needed")
                                && job.built().channels().size() > 4);
    }

    /** The route's way with this machine. */
    Way way(Job job, Terms terms, Map<ChannelCode, Doing> doing) {
        var now = job.profile();
        var fit = becomes(job);
        var carries = carries(job, fit);
        fit = fit.carrying(carries);
        var then = job.built().fitted(fit);
        var slots = new ArrayList<Way.Slot>();
        for (int i = 0; i < now.channels().size(); i++) {
            var before = now.channels().get(i);
            var after = then.channels().get(i);
            var what = this == PARK
                    ? Doing.ON_FLUID
                    : leftOnFluid(job, before.code(), after.code(), fit)
                            ? Doing.ON_FLUID
                            : doing.getOrDefault(before.code(), Doing.FILL);
            var renewed = renewed(job, terms, before, after.code());
            boolean comesOff = renewed.contains(before.first().kind()); // and its ink with it
            slots.add(new Way.Slot(before, after, what == Doing.KEEP && comesOff ? Doing.FILL : what, renewed));
        }
        boolean bulk = now.architecture() == Architecture.BULK;
        boolean cartridge = now.architecture() == Architecture.CARTRIDGE;
        boolean bags = now.architecture() == Architecture.BAY;
        var drains = bags
                ? EnumSet.of(VesselKind.TUBE)
                : comesOffWhole(job)
                        ? EnumSet.noneOf(VesselKind.class)
                        : bulk
                                ? EnumSet.of(VesselKind.TANK, VesselKind.TUBE, VesselKind.CARTRIDGE)
                                : EnumSet.of(VesselKind.TANK, VesselKind.TUBE);
        var drips =
                cartridge || bulk ? EnumSet.noneOf(VesselKind.class) : EnumSet.of(VesselKind.DAMPER, VesselKind.HEAD);
        var stages = new ArrayList<Way.Stage>();
        if (!drains.isEmpty()) {
            stages.add(bulk ? Way.OUTLET : bags ? Way.OLD_LINE : Way.TANK_AND_TUBE);
            if (now.architecture() == Architecture.SNAP_IN) {
                stages.add(Way.HEAD_CARTRIDGE);
            } else if (!bulk) {
                stages.add(Way.DAMPER);
            }
        }
        var charge = charge(job, terms, fit);
        return new Way(
                fit,
                slots,
                drains,
                drips,
                stages,
                charge,
                charge.loss(job.profile().draws()),
                starters(job, terms));
    }

    /** Slots that stand empty of ink: those wished so, light ones that film has no use for, white ones without film. */
    private static boolean leftOnFluid(Job job, ChannelCode before, ChannelCode after, Fit fit) {
        if (job.wish().onFluid().contains(before)) {
            return true;
        }
        boolean film = job.family() == Family.FILM;
        return film ? LIGHT.contains(after) : after.white();
    }

    /** What the slots carry afterwards: as wished, or for film the first two light slots become white. */
    private static Map<ChannelCode, ChannelCode> carries(Job job, Fit fit) {
        if (job.family() != Family.FILM) {
            return Map.of();
        }
        if (!job.wish().carries().isEmpty()) {
            return job.wish().carries();
        }
        if (!job.fit().carries().isEmpty() || fit.feed() != Feed.FILM) {
            return job.fit().carries();
        }
        var whites = new HashMap<ChannelCode, ChannelCode>();
        for (var slot : LIGHT) {
            if (job.built().codes().contains(slot)
                    && whites.size() < 2
                    && !job.wish().onFluid().contains(slot)) {
                whites.put(slot, ChannelCode.of("W" + (whites.size() + 1)));
            }
        }
        return whites;
    }
}
