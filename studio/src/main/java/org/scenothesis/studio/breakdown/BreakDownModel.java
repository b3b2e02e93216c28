package org.scenothesis.studio.breakdown;

import java.io.IOException;
import java.nio.charset.MalformedInputException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.BreakdownPlan;
import org.scenothesis.core.breakdown.compare.Influence;
import org.scenothesis.core.breakdown.compare.PlanDifference;
import org.scenothesis.core.breakdown.compare.Weighed;
import org.scenothesis.core.breakdown.day.DayPlan;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.kit.OwnedKit;
import org.scenothesis.core.breakdown.method.Treatment;
import org.scenothesis.core.breakdown.method.Way;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.plate.Subjects;
import org.scenothesis.core.finding.Approach;
import org.scenothesis.core.finding.Estimates;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.Location;
import org.scenothesis.core.shot.Permission;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.ShootDay;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Shots;
import org.scenothesis.production.illusion.ReadyMadeShot;
import org.scenothesis.production.illusion.ReadyMadeShots;
import org.scenothesis.production.paper.Paper;
import org.scenothesis.production.paper.ShotList;
import org.scenothesis.production.place.PlaceClock;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.production.words.DifferenceWords;
import org.scenothesis.production.words.Entered;
import org.scenothesis.production.words.PlanWords;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.Session;

/// What can be told and decided on Break down; every intent is one undo step.
final class BreakDownModel {
    private final Session session;
    private final OwnedList owned;

    BreakDownModel(Session session) {
        this.session = session;
        owned = new OwnedList(session);
        owned.read(() -> {});
    }

    Session session() {
        return session;
    }

    Shot shot() {
        return session.shot();
    }

    DayPlan day() {
        return session.planned().get();
    }

    HouseRules rules() {
        return session.store().now().houseRules();
    }

    /// The plan of the shot that is open; an empty one until it is made.
    BreakdownPlan plan() {
        BreakdownPlan p = day().plans().get(shot().id());
        return p != null ? p : BreakdownPlan.nothing(shot().id());
    }

    private void day(String what, UnaryOperator<ShootDay> change) {
        session.store().apply(what, p -> p.withDay(change));
    }

    void tell(String title, String story, double seconds) {
        session.change(Words.of("break-down-model.tell-the-shot"), s -> s.told(title, story, Math.max(0.1, seconds)));
    }

    void newShot() {
        OwnedKit kit = owned.known();
        session.store().apply("new shot", p -> {
            Production more = Shots.added(p);
            return more.withShot(more.shots().getLast().id(), kit::told);
        });
        session.openShot(session.store().now().shots().getLast().id());
    }

    String add(IllusionKind kind) {
        String base = kind.name().toLowerCase(Locale.ROOT).replace('_', '-');
        Set<String> ids = new HashSet<>(shot().illusions().stream().map(Illusion::id).toList());
        int i = 1;
        while (ids.contains(base + "-" + i)) {
            i++;
        }
        String id = base + "-" + i;
        session.change(Words.of("break-down-model.add-an-illusion"), s -> {
            List<Illusion> more = new ArrayList<>(s.illusions());
            more.add(new Illusion(id, kind, Words.of("illusion.subject." + kind.name()), 0, s.seconds(), Map.of()));
            return s.withIllusions(more);
        });
        return id;
    }

    void remove(Illusion w) {
        session.change(Words.of("break-down-model.remove-an-illusion"),
                s -> s.withIllusions(s.illusions().stream().filter(o -> !o.id().equals(w.id())).toList()));
    }

    void rename(Illusion w, String subject) {
        if (!subject.isBlank()) {
            session.change(Words.of("break-down-model.name-the-subject"), s -> Subjects.renamed(s, w.id(), subject.strip()));
        }
    }

    void between(Illusion w, double from, double to) {
        session.change(Words.of("break-down-model.set-when-it-happens"),
                s -> s.withIllusion(w.id(), o -> o.between(from, Math.max(from, to))));
    }

    /// Answers a question about an illusion, or about the setting where the fact holds for the whole shot.
    void answer(Illusion w, Fact f, String value) {
        session.change("answer: " + PlanWords.question(f), s -> f.ofSetting() ? s.withSetting(x -> x.withFact(f.key(), value))
                : s.withIllusion(w.id(), o -> o.withFact(f.key(), value)));
    }

    void answer(Fact f, String value) {
        session.change("answer: " + PlanWords.question(f), s -> s.withSetting(x -> x.withFact(f.key(), value)));
    }

    /// What was moved in the drawing, as the facts it tells.
    void drawn(String what, Shot told) {
        session.change(what, s -> told);
    }

    /// What an answer would change, in words, found in the background; the newest question wins.
    void wouldChange(String illusion, Fact f, String value, Consumer<String> then) {
        Shot now = shot();
        HouseRules rules = rules();
        session.worker().ask("would-change", ticket -> DifferenceWords.brief(new Influence(now, rules).answer(illusion, f, value)), then,
                e -> then.accept(String.valueOf(e.getMessage())));
    }

    /// The choices a plate hangs on, found in the background.
    void causes(PlateNeed n, Consumer<List<Influence.Cause>> then) {
        Shot now = shot();
        HouseRules rules = rules();
        session.worker().ask("causes-" + n.key(), ticket -> new Influence(now, rules).causes(n), then,
                e -> session.say(String.valueOf(e.getMessage())));
    }

    /// What this shot's plan has other than that of another state of it, or under another way of an approach.
    void compare(Shot before, HouseRules rulesBefore, Consumer<PlanDifference> then) {
        Shot now = shot();
        HouseRules rules = rules();
        session.worker().ask("compare", ticket -> PlanDifference.between(Weighed.of(before, rulesBefore), Weighed.of(now, rules)), then,
                e -> session.say(String.valueOf(e.getMessage())));
    }

    /// Separates a thing by the crew's own choice; choosing the recommended way again takes the choice back.
    void choose(Treatment t, Way way) {
        boolean recommended = t.methods().stream().anyMatch(m -> m.way() == way && m.recommended());
        session.change("choose a way", s -> {
            Shot out = s;
            for (String id : t.illusions()) {
                out = out.withIllusion(id, w -> w.withFact(Fact.METHOD.key(), choices(w.fact(Fact.METHOD.key(), ""), t.key(), recommended
                        ? "" : way.code())));
            }
            return out;
        });
    }

    /// The choices of an illusion with one thing's changed; an empty way leaves the thing to the recommendation.
    private static String choices(String now, String key, String way) {
        List<String> all = new ArrayList<>(Arrays.stream(now.strip().split("\\s+")).filter(c -> c.contains("=") && !c.startsWith(key + "="))
                .toList());
        if (!way.isEmpty()) {
            all.add(key + "=" + way);
        }
        return String.join(" ", all);
    }

    void decline(PlateNeed n, boolean without) {
        session.change(without ? Words.of("break-down-model.do-without-plate") : Words.of("break-down-model.take-plate-back"),
                s -> s.withSetting(x -> {
            Set<String> keys = new TreeSet<>(List.of(x.facts().getOrDefault(Fact.DECLINED.key(), "").strip().split("\\s+")));
            keys.remove("");
            if (without) {
                keys.add(n.key().code());
            } else {
                keys.remove(n.key().code());
            }
            return x.withFact(Fact.DECLINED.key(), String.join(" ", keys));
        }));
    }

    List<Plate> missing() {
        return Breakdown.missing(shot(), plan(), PlanWords::name);
    }

    void shelve() {
        List<Plate> missing = missing();
        session.change(Words.of("break-down-model.put-plates-on-the-shelf"), s -> {
            List<Plate> all = new ArrayList<>(s.plates());
            all.addAll(missing);
            return s.withPlates(all);
        });
    }

    OwnedList owned() {
        return owned;
    }

    /// Tells this shot what is owned, where nothing else was told.
    void tellOwned() {
        session.change(Words.of("break-down-model.tell-what-you-own"), owned.known()::told);
    }

    void acknowledge(String code, boolean read) {
        day(read ? "acknowledge a caution" : Words.of("break-down-model.take-an-acknowledgement-back"),
                d -> d.acknowledging(shot().id() + "/" + code, read));
    }

    boolean acknowledged(String code) {
        return session.store().now().day().acknowledged().contains(shot().id() + "/" + code);
    }

    void move(String job, int to) {
        List<String> ids = day().order().moved(job, to);
        day(Words.of("break-down-model.change-the-order"), d -> d.withOrder(ids));
    }

    void cheapest() {
        day(Words.of("break-down-model.back-to-the-cheapest-order"), d -> d.withOrder(List.of()));
    }

    /// What was typed for date and call; a sentence if it cannot be read, else empty.
    String when(String date, String call) {
        return Entered.or(() -> {
            ShootDay.DEFAULT.on(date.strip()).calledAt(call.strip());
            day(Words.of("break-down-model.set-the-day"), d -> d.on(date.strip()).calledAt(call.strip()));
            return "";
        }, why -> why);
    }

    void prepare(double minutes) {
        day(Words.of("break-down-model.set-the-preparation"), d -> d.preparing((int) Math.round(minutes)));
    }

    /// The clock of a place, looked up in the background; `wrong` is told a sentence where there is none.
    void clock(String told, double latitudeDeg, double longitudeDeg, Consumer<PlaceClock> then, Consumer<String> wrong) {
        String of = session.shotId().get();
        session.worker().ask("place-clock", ticket -> PlaceClock.of(told, latitudeDeg, longitudeDeg), c -> {
            // The place is this shot's, also if another was opened meanwhile.
            if (session.shotId().get().equals(of)) {
                then.accept(c);
            }
        }, e -> wrong.accept(e.getMessage() + "."));
    }

    void place(Location place) {
        session.change(Words.of("break-down-model.set-the-place"), s -> s.withSetting(x -> x.withPlace(place)));
    }

    void approach(Approach matter, String way) {
        session.store().apply("house rule: " + Words.of("school." + matter),
                p -> p.withHouseRules(p.houseRules().withApproach(matter, way)));
    }

    void estimates(Estimates e) {
        session.store().apply(Words.of("break-down-model.change-an-estimate"), p -> p.withHouseRules(p.houseRules().withEstimates(e)));
    }

    void permission(Permission now) {
        session.store().apply("record a permission", p -> {
            List<Permission> all = new ArrayList<>(p.permissions().stream().filter(o -> !o.id().equals(now.id())).toList());
            all.add(now);
            return p.withPermissions(all);
        });
    }

    void lay(ReadyMadeShot i) {
        session.change(Words.of("break-down-model.put-an-illusion-into-the"), i::into);
    }

    /// Keeps the shot as an illusion of the user's own, and says where.
    String keep() {
        try {
            return "Kept as " + ReadyMadeShots.keep(ReadyMadeShots.home(), shot()) + ".";
        } catch (StoreException e) {
            return String.valueOf(e.getMessage());
        }
    }

    Path paper() {
        return session.folder().path().resolve("paper");
    }

    /// Writes book, table and calendar into the production's folder `paper`, and gives what could be written and what not.
    List<String> write() {
        List<String> said = new ArrayList<>();
        DayPlan day = DayPlan.of(session.store().now());
        written(said, "book.pdf", f -> Paper.print(Paper.Kind.BOOK, day, f));
        written(said, "book.html", f -> Paper.print(Paper.Kind.BOOK, day, f));
        written(said, "day.pdf", f -> Paper.print(Paper.Kind.DAY, day, f));
        written(said, "slips.pdf", f -> Paper.print(Paper.Kind.SLIPS, day, f));
        written(said, "plates.csv", f -> Paper.plates(day, f));
        written(said, "breakdown.json", f -> Paper.tree(day, f));
        if (day.production().day().day().isPresent()) {
            written(said, "order.ics", f -> Paper.calendar(day, f));
        } else {
            said.add(Words.of("break-down-model.no-calendar-the-day-of"));
        }
        return said;
    }

    private interface Sheet {
        void to(Path file) throws StoreException;
    }

    private void written(List<String> said, String name, Sheet sheet) {
        try {
            sheet.to(session.folder().forResult(paper().resolve(name)));
            said.add("Written: " + paper().resolve(name));
        } catch (StoreException e) {
            said.add(String.valueOf(e.getMessage()));
        }
    }

    /// Reads a shot list into the production and says what was not understood.
    List<String> bringIn(Path csv) {
        List<String> said = new ArrayList<>();
        try {
            ShotList list = ShotList.read(Files.readString(csv));
            session.store().apply(Words.of("break-down-model.bring-in-shot-list"), list::into);
            said.add(Words.of("break-down-model.brought-in-from", Words.count(list.shots().size(), "shot", "shots"), csv.getFileName()));
            list.notes().forEach(n -> said.add("Not understood: " + n.sentence()));
        } catch (MalformedInputException e) {
            said.add(Words.of("break-down-model.the-file-is-not-utf-", csv));
        } catch (IOException e) {
            said.add(Words.of("break-down-model.the-file-cannot-be-read", csv));
        }
        return said;
    }
}
