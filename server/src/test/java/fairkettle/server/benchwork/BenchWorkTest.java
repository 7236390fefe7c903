package fairkettle.server.benchwork;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.machine.Supply;
import fairkettle.server.Api;
import fairkettle.server.Hand;
import fairkettle.server.ServerTest;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;

/** Work on a machine as a card: credited step by step, and taken back with the step. */
@ServerTest
class BenchWorkTest {

    @Autowired
    private Api api;

    @Autowired
    private Hand hand;

    private long film(String name) {
        return api.read(api.post("/api/machines", """
            {"name": "%s", "bench": "Test bench", "profile": "film-rebuilt", "holds": "INKED", "family": "FILM", "foodOnly": false, "tankShare": 0.7}
            """.formatted(name)))
                .at("/plate/id")
                .asLong();
    }

    private long begin(long machine, String work) {
        return api.read(api.post(
                        "/api/machines/" + machine + "/works", "{\"work\": \"%s\", \"channels\": []}".formatted(work)))
                .get("card")
                .asLong();
    }

    private JsonNode card(long card) {
        return api.read(api.get("/api/cards/" + card));
    }

    private JsonNode step(long card, String id) {
        for (var step : card(card).get("steps")) {
            if (step.get("id").asString().equals(id)) {
                return step;
            }
        }
        throw new AssertionError("no step " + id);
    }

    private void enter(long card, String step, String cell, String value) {
        assertThat(api.post(
                        "/api/cards/" + card + "/enter",
                        "{\"step\": \"%s\", \"cell\": \"%s\", \"value\": \"%s\"}".formatted(step, cell, value)))
                .as("%s %s %s", step, cell, value)
                .hasStatusOk();
    }

    private void finish(long card, String step) {
        assertThat(api.post("/api/cards/" + card + "/finish", "{\"step\": \"%s\"}".formatted(step)))
                .as(step)
                .hasStatusOk();
    }

    private double progress(long machine, String routine) {
        for (var r : api.read(api.get("/api/machines/" + machine + "/routines")).get("routines")) {
            if (r.get("routine").asString().equals(routine)) {
                return r.get("progress").asDouble();
            }
        }
        throw new AssertionError("no routine " + routine);
    }

    private List<String> log(long machine) {
        var words = new ArrayList<String>();
        api.read(api.get("/api/log?machine=" + machine))
                .get("entries")
                .forEach(e -> words.add(e.get("words").asString()));
        return words;
    }

    @Test
    void aMachineOffersWhatItCanWantWithWhatItTakes() {
        long machine = film("Works offered");
        var works = api.read(api.get("/api/machines/" + machine + "/works"));
        assertThat(works.toString()).contains("LINE_FLUSH", "WHITE_START", "POSITION_FAULT", "LONG_RUN");
        var flush = works.get(0);
        assertThat(flush.get("channels")).hasSize(2);
        assertThat(flush.get("fluid").asDouble()).isEqualTo(60);
        assertThat(flush.get("dampers").asInt()).isEqualTo(2);
        long tank = api.machine("Works of a tank machine", "small-tank", "INKED");
        assertThat(api.read(api.get("/api/machines/" + tank + "/works")).toString())
                .doesNotContain("LINE_FLUSH", "WHITE_START", "LONG_RUN")
                .contains("POSITION_FAULT");
        assertThat(api.post("/api/machines/" + tank + "/works", "{\"work\": \"WHITE_START\", \"channels\": []}"))
                .hasStatus(422);
    }

    @Test
    void stepsCreditTheirRoutineAndStrikingTakesThatBack() {
        long machine = api.machine("Works position", "small-tank", "INKED");
        long card = begin(machine, "POSITION_FAULT");
        assertThat(api.post("/api/machines/" + machine + "/works", "{\"work\": \"POSITION_FAULT\", \"channels\": []}"))
                .hasStatus(422);
        hand.carryOutUntil(card, "SUBLIMATION", "rail");
        finish(card, "rail");
        assertThat(log(machine)).anyMatch(w -> w.contains("Rail: clean, then oil (rail)"));
        assertThat(api.post("/api/cards/" + card + "/strike", "{\"step\": \"rail\"}"))
                .hasStatusOk();
        assertThat(log(machine)).anyMatch(w -> w.contains("struck out “Rail"));
        for (var step : List.of("rail", "strip", "wheel", "sensor")) {
            finish(card, step);
        }
        hand.carryOutUntil(card, "SUBLIMATION", "tried");
        enter(card, "tried", "choice", "it runs");
        finish(card, "tried");
        assertThat(api.post("/api/cards/" + card + "/skip", "{\"step\": \"align\", \"reason\": \"it runs\"}"))
                .hasStatusOk();
        assertThat(card(card).get("state").asString()).isEqualTo("done");
        assertThat(progress(machine, "rail")).isLessThan(.01);
    }

    @Test
    void aLineIsMatchedToItsBottleAndOnlyANewDamperBeginsAnew() {
        long machine = film("Works flush");
        long card = begin(machine, "LINE_FLUSH");
        hand.carryOutUntil(card, "FILM", "which");
        assertThat(api.post(
                        "/api/cards/" + card + "/enter",
                        "{\"step\": \"which\", \"cell\": \"each/0\", \"value\": \"W2\"}"))
                .hasStatus(422)
                .bodyJson()
                .extractingPath("$.detail")
                .asString()
                .contains("Put it back");
        enter(card, "which", "each/0", "W1");
        enter(card, "which", "each/1", "W2");
        finish(card, "which");
        finish(card, "joint");
        for (var channel : List.of("W1", "W2")) {
            enter(card, "home", channel + "/0", "6");
            enter(card, "home", channel + "/1", "yes");
        }
        finish(card, "home");
        assertThat(api.post("/api/cards/" + card + "/enter-all", """
            {"step": "fluid", "cells": {"W1/0": "8", "W2/0": "8"}}\
            """)).hasStatus2xxSuccessful();
        assertThat(api.act(card, "finish", "{\"step\": \"fluid\"}"))
                .as("with the ink still hanging at the line")
                .hasStatus(422);
        finish(card, "swap");
        assertThat(api.post("/api/machines/" + machine + "/cleanings", "{\"power\": false}"))
                .hasStatus(422)
                .bodyText()
                .contains("at the end of the line hangs the waste bottle", "the tube off: W1 W2");
        assertThat(log(machine)).anyMatch(w -> w.contains("Ink out first, with air"));
        assertThat(step(card, "fluid").get("pause").get("seconds").asInt()).isEqualTo(300);
    }

    @Test
    void whileTheWasteTubesAreOutNothingIsCleaned() {
        long machine = film("Works waste tubes");
        long card = begin(machine, "WHITE_START");
        hand.carryOutUntil(card, "FILM", "pull");
        var cleaning = "/api/machines/" + machine + "/cleanings";
        assertThat(api.post(cleaning, "{\"power\": false}"))
                .hasStatus(422)
                .bodyText()
                .contains("the waste line open");
        hand.carryOutUntil(card, "FILM", "bubbles");
        assertThat(api.post(cleaning, "{\"power\": false}")).hasStatus2xxSuccessful();
    }

    @Test
    void aPlanSaysWhereElseWorkIsOpen() {
        long busy = api.machine("Works elsewhere", "small-tank", "INKED");
        long card = begin(busy, "POSITION_FAULT");
        long machine = api.machine("Works next", "small-tank", "INKED");
        var plan = "/api/machines/" + machine + "/changeover?family=SUBLIMATION&make=own";
        assertThat(api.read(api.get(plan)).at("/plan/first").toString()).contains("work is open at", "Works elsewhere");
        assertThat(api.act(card, "give-up", "{\"reason\": \"only tried\"}")).hasStatusOk();
        assertThat(api.read(api.get(plan)).at("/plan/first").toString()).doesNotContain("Works elsewhere");
    }

    @Test
    void onlyTheLinesOfTheCardAreCredited() {
        long machine = film("Works one line");
        long card = api.read(api.post(
                        "/api/machines/" + machine + "/works", "{\"work\": \"WHITE_START\", \"channels\": [\"W1\"]}"))
                .get("card")
                .asLong();
        hand.carryOutUntil(card, "FILM", "docked");
        assertThat(log(machine))
                .anyMatch(w -> w.contains("shake W1"))
                .noneMatch(w -> w.contains("shake W2") || w.contains("(shake)"))
                .anyMatch(w -> w.contains("wiper"));
    }

    @Test
    void dampersThatWentInNewAreTheirKindsBurden() {
        long machine = film("Works burden");
        long card = api.read(api.post(
                        "/api/machines/" + machine + "/routines/white-damper/card", "{\"channels\": [\"W1\"]}"))
                .get("card")
                .asLong();
        long before = parts(machine);
        assertThat(hand.carryOut(card, "FILM").get("state").asString()).isEqualTo("done");
        assertThat(parts(machine) - before).isEqualTo(Supply.DAMPER.usualPrice());
    }

    private long parts(long machine) {
        var name =
                api.read(api.get("/api/machines/" + machine)).at("/plate/name").asString();
        for (var line : api.read(api.get("/api/burden"))) {
            if (line.get("machines").toString().contains(name)) {
                return line.get("parts").asLong();
            }
        }
        throw new AssertionError("no kind of this machine");
    }

    @Test
    void aRoutineIsACardAndFulfilsTheChannelsThatWereDone() {
        long machine = api.machine("Works routine", "small-tank", "INKED");
        long card = api.read(api.post(
                        "/api/machines/" + machine + "/routines/damper/card", "{\"channels\": [\"C\", \"M\"]}"))
                .get("card")
                .asLong();
        hand.carryOutUntil(card, "SUBLIMATION", "work");
        assertThat(step(card, "work").get("ask").get("answers").toString()).contains("a new one");
        enter(card, "work", "each/0", "a new one");
        enter(card, "work", "each/1", "the old one");
        finish(card, "work");
        assertThat(log(machine)).anyMatch(w -> w.contains("(damper C)")).noneMatch(w -> w.contains("(damper M)"));
        assertThat(api.post("/api/machines/" + machine + "/routines/nonsense/card", "{\"channels\": []}"))
                .hasStatus(404);
    }

    @Test
    void everyPartThatCameOutIsCountedBackBeforeThePowerComesOn() {
        long machine = film("Works refit");
        long card = begin(machine, "HEAD_REFIT");
        hand.carryOutUntil(card, "FILM", "out");
        for (int i = 0; i < 4; i++) {
            enter(card, "out", "part/" + i, String.valueOf(i + 1));
        }
        finish(card, "out");
        finish(card, "wet");
        finish(card, "base");
        finish(card, "in");
        assertThat(api.post(
                        "/api/cards/" + card + "/enter",
                        "{\"step\": \"screws\", \"cell\": \"item/2\", \"value\": \"yes\"}"))
                .hasStatus(422)
                .bodyJson()
                .extractingPath("$.detail")
                .asString()
                .contains("First");
        for (int i = 0; i < 5; i++) {
            enter(card, "screws", "item/" + i, "yes");
        }
        finish(card, "screws");
        for (int i = 0; i < 4; i++) {
            enter(card, "counted", "part/" + i, String.valueOf(i));
        }
        assertThat(api.post(
                        "/api/cards/" + card + "/finish",
                        "{\"step\": \"counted\", \"accept\": \"it will be all right\"}"))
                .hasStatus(422)
                .bodyJson()
                .extractingPath("$.detail")
                .asString()
                .contains("Look inside before any power");
    }

    @Test
    void whatIsBrokenIsToldAtItsStepUntilItIsMended() {
        long machine = api.machine("Works defect", "small-tank", "INKED");
        var passport = api.read(api.post(
                "/api/machines/" + machine + "/defects",
                "{\"concerns\": \"COVERS\", \"words\": \"left clip gone\", \"effect\": \"Press at the right.\"}"));
        assertThat(passport.get("defects")).hasSize(1);
        assertThat(api.read(api.get("/api/buying")).get("broken").toString())
                .as("whoever orders is reminded of its part")
                .contains("Works defect", "left clip gone");
        long card = begin(machine, "POSITION_FAULT");
        assertThat(step(card, "on").get("say").asString()).contains("left clip gone", "Press at the right");
        var after = api.read(api.post(
                "/api/machines/" + machine + "/defects/"
                        + passport.at("/defects/0/id").asLong() + "/mended",
                "{}"));
        assertThat(after.get("defects")).isEmpty();
        assertThat(api.read(api.get("/api/buying")).get("broken").toString()).doesNotContain("Works defect");
        assertThat(api.post("/api/machines/" + machine + "/defects/999999/mended", "{}"))
                .hasStatus(404);
    }

    @Test
    void inAShutRoomNoPowderIsWorkedWith() {
        long machine = film("Works air");
        var shop = api.read(api.get("/api/shop"));
        var settings = (tools.jackson.databind.node.ObjectNode) shop.get("settings");
        settings.put("aired", false);
        assertThat(api.put("/api/shop", settings.toString(), shop.get("version").asString()))
                .hasStatusOk();
        try {
            assertThat(api.post("/api/machines/" + machine + "/works", "{\"work\": \"LONG_RUN\", \"channels\": []}"))
                    .hasStatus(422)
                    .bodyJson()
                    .extractingPath("$.detail")
                    .asString()
                    .contains("moving air");
            assertThat(api.post(
                            "/api/machines/" + machine + "/promises",
                            "{\"words\": \"shirts\", \"due\": \"2030-01-01T10:00:00Z\"}"))
                    .hasStatus(422);
        } finally {
            settings.put("aired", true);
            api.put(
                    "/api/shop",
                    settings.toString(),
                    api.read(api.get("/api/shop")).get("version").asString());
        }
    }
}
