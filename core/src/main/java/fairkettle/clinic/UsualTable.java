package fairkettle.clinic;

/** The table that ships. Every figure is a default, with its reason beside it. */
final class UsualTable {

    static final String TEXT = """
        # What the clinic believes before it has seen anything, and what it expects of what it sees and does.
        # key = figures | the reason. Shares and probabilities unless a unit stands in the reason.

        # ---- what the channels of one machine share
        cap = .76 .10 .08 .06 | sound, dirty rim, blocked pump line, hard rubber: most caps are sound, rims are what gets dirty first
        cap.dryroom = 1 1.4 1.6 1 | factors in a dry room: rims crust and pump lines dry
        cap.old = 1 1 1 2 | factors past the cap's usual life: rubber hardens
        wiper.dirty = .14 | one machine in seven, looked at without warning
        wiper.aftercleanings = 1.4 | factor when it was cleaned again and again
        dry.young = .16 .8 | share per unit of idleness, and the power: skins form early
        dry.hard = .07 1 | share per unit: hard crusts come with time
        dry.stubborn = .03 1 | share per unit: those that need everything
        dry.badcap = 3 | factor: a cap that leaks dries a whole head
        dry.clamp = .25 4 | least and most of idleness against the family's reference
        idle.maker = 14 | days of reference air that maker's ink stands well
        idle.sublimation = 5 | days
        idle.film = 1.5 | days: binder skins within hours, capped within days
        idle.edible = 6 | days: sugars gum up

        # ---- each channel, given how dry the machine is
        nozzle.none = .03 .01 | soft, hard when nothing dried
        nozzle.young = .60 .12 | soft, hard
        nozzle.hard = .28 .55 | soft, hard
        nozzle.stubborn = .12 .72 | soft, hard
        nozzle.dead = .015 | burnt out or torn
        nozzle.dirt = .02 .30 | wiper clean, wiper dirty
        air = .055 .035 | small, in the line
        air.changeover = 2.5 | factor within days of a changeover
        filter = .04 .3 3 | share at six months of age; least and most of the factor by age
        settled = .20 | white only, per two days of standing
        shut = .04 | vent, valve, seating or level: nothing can follow
        growth = .006 3 | thread or slime; factor for edible ink
        smear = .02 .25 | other ink on the plate: wiper clean, wiper dirty
        mixed = .015 | wrong ink in the path
        complaint.fades = 3 | factor on the feed
        complaint.hue = 4 | factor on the colour
        complaint.gone = 3 | factor on shut
        complaint.aftercleaning = 4 | factor on wiper and cap
        position = .03 | strip, wheel or rail

        # ---- gaps at a first check: to 1, 8, 30, 80 %, more
        missing.ok = .95 .045 .005 0 0 | reading errs now and then
        missing.soft = .10 .20 .30 .30 .10 |
        missing.hard = .05 .15 .25 .35 .20 |
        missing.dead = .05 .40 .30 .20 .05 | scattered or a block
        missing.dirt = .10 .45 .40 .05 0 | what a wiper leaves is little
        missing.small = .20 .35 .30 .13 .02 |
        missing.line = .40 .20 .20 .15 .05 | between two pockets all is well
        missing.filter = .45 .25 .15 .10 .05 | a check asks for little ink
        missing.settled = .45 .20 .15 .15 .05 |
        missing.shut = .25 .20 .20 .20 .15 |
        missing.growth = .35 .25 .20 .12 .08 |

        # ---- from one check to the next, when nothing happened to a cause
        stays = .02 .97 .97 .985 .90 | a gap stays: none, soft, hard, dead, dirt
        stays.air = .40 .55 | small, in the line: they wander
        stays.feed = .60 .55 .75 .65 | filter, settled, shut, growth
        stays.spread = 3.5 | strength of the beta around it: low, because gaps of one channel share their fate
        fresh = .006 .008 .008 .006 .02 | strokes newly missing, share: none, soft, hard, dead, dirt
        fresh.air = .12 .10 | small, in the line
        fresh.feed = .05 .08 .15 .10 | filter, settled, shut, growth
        fresh.cause = .005 | a new cause comes between two looks: hands, cleanings and time make some
        fresh.spread = .8 | size of the negative binomial

        # ---- a full page
        fade.ok = .90 .08 .02 | lost from top to foot: to 15, to 30 %, more
        fade.filter = .12 .18 .70 |
        fade.settled = .35 .25 .40 |
        fade.shut = .20 .20 .60 |
        fade.growth = .15 .15 .70 |
        fade.line = .70 .15 .15 |
        band = .03 .15 .45 | blank bands seen: no air, small, in the line
        hue = .03 .75 .92 | colour seen to be off: clean, smeared, mixed
        clears = .5 .8 .1 | of those, off at the top edge alone: clean, smeared, mixed

        # ---- looks and feels
        waste.rose = .92 .50 .12 .55 | by cap: sound, rim, pump line, rubber
        thread = .02 .75 | seen: without growth, with it
        bubbles = .10 .80 | seen in the tube: no air in the line, air
        feel.wrong = .13 | a hand feels wrongly
        simple.miss = .07 | a look overlooks what is shut
        crust = .05 .60 | seen on the inlet: not hard, hard

        # ---- effects: share of standing gaps gone (soft, hard, dirt), hard crusts softened, air cleared (small, line)
        act.PURGE_SHEET = .12 .03 .70 0 .50 .30 |
        act.CLEANING = .50 .15 .35 0 .45 .25 |
        act.POWER_CLEANING = .80 .40 .40 0 .60 .60 |
        act.REST_SHORT = .03 .01 0 0 .25 .03 | two hours
        act.REST_LONG = .08 .03 0 .08 .70 .10 | twelve hours
        act.SOAK = .20 .08 0 .25 0 0 | fluid from below
        act.SOAK_OVERNIGHT = .35 .15 0 .55 .65 .10 | fluid, and the rest that it is
        act.WIPE = 0 0 .70 0 0 0 |
        act.FLUSH_CAP = 0 0 0 0 0 0 |
        act.NEW_CAP = 0 0 0 0 0 0 |
        act.DRAW_AT_CARTRIDGE = .03 0 0 0 .35 .75 |
        act.PUSH_AT_VENT = .05 0 0 0 .40 .75 |
        act.DRAW_AT_WASTE_LINE = .60 .25 .35 0 .60 .65 |
        act.AGITATE = 0 0 0 0 0 0 |
        act.NEW_DAMPER = 0 0 0 0 .05 .10 |
        act.FLUSH_LINE = .10 0 0 0 .20 .60 |
        act.DRAW_AT_INLET = .80 .50 .40 .50 .50 .20 |
        act.RENEW = .15 0 0 0 .20 .50 |
        act.HEAD_OUT = .90 .70 .95 .60 .30 .10 |
        act.LOOK_AGAIN = 0 0 0 0 0 0 |
        response = .35 1 2 | weak, usual, strong: exponent on every share of dried gaps that an act frees here
        response.share = .25 .5 .25 | pumps, hands and inks differ by such factors
        stubborn = .35 | factor on what frees hard crusts
        suction.cleaning = 1 .45 .20 .45 | what of a cleaning's pull arrives, by cap
        suction.wasteline = 1 .60 1 .65 | of a draw at the waste line, by cap
        feed.purge = 0 .25 0 0 | filter, settled, shut, growth put right
        feed.cleaning = 0 .12 0 0 |
        feed.power = 0 .45 0 0 |
        feed.cartridge = 0 .35 0 0 |
        feed.wasteline = 0 .50 0 0 |
        feed.damper = .92 .20 0 0 |
        feed.line = .95 .93 0 .30 |
        feed.renew = .95 .95 0 .93 |
        feed.agitate = 0 .20 0 0 |
        feed.look = 0 0 .85 0 |
        colour.purge = .65 0 | smeared, mixed put right
        colour.wipe = .45 0 |
        colour.renew = .50 .95 |
        cap.wipe = .80 0 0 | rim, pump line, rubber put right
        cap.flush = .35 .75 0 |
        cap.new = .97 0 .95 |
        wiper.wipe = .88 |
        adds.damper = .30 | air let in
        adds.line = .35 |
        adds.renew = .45 |
        adds.headout = .40 |
        dirt.cleaning = .12 | a cleaning over a dirty wiper leaves dirt in a channel
        risk.DRAW_AT_INLET = .006 | plate parts, per channel
        risk.HEAD_OUT = .045 | plate parts
        risk.POWER_CLEANING = .003 |
        relapse.cap = .45 | bad again within a day when the cap leaks
        relapse.air = .30 | when air is left in the line
        relapse.settled = .40 |
        """;

    private UsualTable() {}
}
