package org.scenothesis.core.breakdown.plate;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.Check;
import org.scenothesis.core.breakdown.method.Screen;
import org.scenothesis.core.breakdown.method.Way;
import org.scenothesis.core.shot.PlateRole;

/// A plate that a rule asks for, with everything that must be known to film it.
///
/// - `key`: names it within its shot and stays the same while the facts around it change. Needs with one key are one plate.
/// - `reason`: the first of its reasons; `also`: further ones. `way`: how what is filmed in it is separated; null where that is no
///   question. `about`: the thing it is for; `illusions`: ids of those it serves.
/// - `in`, `out`: who and what is in the frame, and must be out of it.
/// - `after`: keys of needs that must have been rolled before it. `rollSeconds` 0 asks for a still; `rollMinutes` is what it takes on set.
/// - `proposed`: it would help but is not needed.
@RecordBuilder
public record PlateNeed(
        PlateKey key,
        PlateRole role,
        Reason reason,
        List<Reason> also,
        @Nullable Way way,
        String about,
        Set<String> illusions,
        Set<Item> in,
        Set<Item> out,
        Screen screen,
        Region region,
        String lockGroup,
        String lightGroup,
        Length length,
        Notes notes,
        Set<PlateKey> after,
        boolean proposed) implements PlateNeedBuilder.With {

    /// How long and how often: seconds of a take, number of takes, and minutes on set for things that take longer than their roll.
    public record Length(double seconds, int takes, double extraMinutes) {
        public static final Length STILL = new Length(0, 1, 0);

        Length with(Length o) {
            return new Length(Math.max(seconds, o.seconds), Math.max(takes, o.takes), Math.max(extraMinutes, o.extraMinutes));
        }
    }

    /// What to mind while it is rolled: focus mark, eyelines, positions to collect, references and sounds to record, clothes, as codes and
    /// numbers; `written`: lines to be written, in order.
    public record Notes(String focus, List<Eyeline> eyelines, List<String> positions, List<String> record, List<String> sound,
            String clothes, List<String> written) {
        public static final Notes NONE = new Notes("", List.of(), List.of(), List.of(), List.of(), "", List.of());

        public Notes {
            eyelines = List.copyOf(eyelines);
            positions = List.copyOf(positions);
            record = List.copyOf(record);
            sound = List.copyOf(sound);
            written = List.copyOf(written);
        }

        /// The same with other places for the eyes.
        public Notes withEyelines(List<Eyeline> others) {
            return new Notes(focus, others, positions, record, sound, clothes, written);
        }

        Notes with(Notes o) {
            return new Notes(
                    focus.isEmpty() ? o.focus : focus, union(eyelines, o.eyelines), union(positions, o.positions), union(record, o.record),
                    union(sound, o.sound),
                    clothes.isEmpty() ? o.clothes : clothes, union(written, o.written));
        }

        private static <T> List<T> union(List<T> a, List<T> b) {
            List<T> all = new ArrayList<>(a);
            b.stream().filter(x -> !a.contains(x)).forEach(all::add);
            return all;
        }
    }

    /// Beginning of the light groups that several shots share.
    public static final String SCENE = "scene-";
    /// Those of pictures that exist already.
    private static final Set<Reason> NOT_FILMED = EnumSet.of(Reason.BORROWED, Reason.BASE_EXISTING, Reason.ELEMENT_EXISTING);

    public PlateNeed {
        also = also.stream().distinct().filter(a -> a != reason).toList();
        illusions = sorted(illusions);
        in = sorted(in);
        out = sorted(out);
        after = sorted(after);
    }

    private static <T extends Comparable<T>> Set<T> sorted(Collection<T> of) {
        return Collections.unmodifiableSet(new TreeSet<>(of));
    }

    private static <T extends Comparable<T>> Set<T> union(Set<T> a, Collection<T> b) {
        Set<T> all = new TreeSet<>(a);
        all.addAll(b);
        return all;
    }

    /// Whether it has to be filmed at all.
    public boolean filmed() {
        return !NOT_FILMED.contains(reason);
    }

    /// How long the camera runs for a take, in seconds.
    public double rollSeconds() {
        return length.seconds;
    }

    /// Minutes on set: one for the slate, and for every take its roll and a minute of looking at it.
    public double rollMinutes() {
        return 1 + length.takes * (1 + length.seconds / 60) + length.extraMinutes;
    }

    /// Its light group over all shots of a day; shots of one borrowed scene share theirs. Empty for none.
    public String light(String shot) {
        return lightGroup.isEmpty() || lightGroup.startsWith(SCENE) ? lightGroup : shot + "/" + lightGroup;
    }

    /// What the set looks like while it is filmed.
    public SetState state(String shot) {
        Set<Item> people = new TreeSet<>();
        Set<Item> props = new TreeSet<>();
        in.forEach(i -> {
            if (i.sort() == Item.Sort.PERSON) {
                people.add(i);
            } else if (i.sort() == Item.Sort.PROP || i.sort() == Item.Sort.SUPPORT) {
                props.add(i);
            }
        });
        // A lamp pass is the group's light put out; it goes back to the group's light afterwards.
        String light = role == PlateRole.LIGHT_PASS ? shot + "/dark" : light(shot);
        return new SetState(shot + "/" + lockGroup, screen, light, notes.clothes, people, props, role == PlateRole.REFERENCE);
    }

    /// All its reasons, the first one first.
    public List<Reason> reasons() {
        return Stream.concat(Stream.of(reason), also.stream()).toList();
    }

    /// The name of one of its reasons in papers and words, with the way of what is separated where that belongs to it.
    public String code(Reason r) {
        Way w = way;
        return r.byWay() && w != null ? r.code() + "." + w.code() : r.code();
    }

    /// The name of its first reason.
    public String code() {
        return code(reason);
    }

    /// Both needs in one plate: every constraint of either holds, and every reason.
    ///
    /// @throws IllegalArgumentException if the keys differ
    public PlateNeed merged(PlateNeed o) {
        Check.that(key.equals(o.key), "only needs with one key merge: " + key + ", " + o.key);
        Set<Item> inside = union(in, o.in);
        Set<Item> outside = union(out, o.out);
        outside.removeAll(inside);
        Reason first = o.proposed || !proposed ? reason : o.reason;
        List<Reason> others = Stream.concat(reasons().stream(), o.reasons().stream()).distinct().filter(r -> r != first).toList();
        return new PlateNeed(
                key, role, first, others, way == null ? o.way : way, about, union(illusions, o.illusions), inside, outside,
                screen == Screen.NONE ? o.screen : screen,
                region.with(o.region), lockGroup, lightGroup, length.with(o.length), notes.with(o.notes), union(after, o.after), proposed
                && o.proposed);
    }

    /// The same with more in the picture.
    public PlateNeed with(Item... more) {
        return withIn(union(in, List.of(more)));
    }

    /// The same with more that must not be in the picture.
    public PlateNeed without(Item... gone) {
        return withOut(union(out, List.of(gone)));
    }

    /// The same before a cloth, which has to fill this region of the picture.
    public PlateNeed on(Screen cloth, Region where) {
        return withScreen(cloth).withRegion(where);
    }

    /// The same with takes of so many seconds.
    public PlateNeed lasting(double seconds, int takes) {
        return withLength(new Length(seconds, takes, length.extraMinutes));
    }

    /// The same with so many minutes more to prepare it.
    public PlateNeed taking(double extraMinutes) {
        return withLength(new Length(length.seconds, length.takes, extraMinutes));
    }

    /// The same under another key, role and reason.
    public PlateNeed as(PlateKey otherKey, PlateRole other, Reason otherReason) {
        return withKey(otherKey).withRole(other).withReason(otherReason);
    }

    /// Follows nothing but some of these.
    public PlateNeed followingOnly(Collection<PlateKey> known) {
        Set<PlateKey> kept = new TreeSet<>(after);
        kept.retainAll(known);
        kept.remove(key);
        return withAfter(kept);
    }

    /// The same, filmed after the plates with these keys.
    public PlateNeed following(PlateKey... keys) {
        return withAfter(union(after, List.of(keys)));
    }

    /// The same as a proposal, which the day is not planned with until it is taken.
    public PlateNeed onlyProposed() {
        return withProposed(true);
    }

    /// The same within a group that shares a camera and one that shares a light; empty for none.
    public PlateNeed inGroups(String lock, String light) {
        return withLockGroup(lock).withLightGroup(light);
    }

    private PlateNeed noted(Notes more) {
        return withNotes(notes.with(more));
    }

    /// The same with the mark the lens is focused on.
    public PlateNeed focusedOn(String mark) {
        return noted(new Notes(mark, List.of(), List.of(), List.of(), List.of(), "", List.of()));
    }

    /// The same with where the eyes go, and when.
    public PlateNeed looking(Eyeline... eyelines) {
        return noted(new Notes("", List.of(eyelines), List.of(), List.of(), List.of(), "", List.of()));
    }

    /// The same with places to be marked, by their codes.
    public PlateNeed positions(String... codes) {
        return noted(new Notes("", List.of(), List.of(codes), List.of(), List.of(), "", List.of()));
    }

    /// The same with references to be recorded, by their codes.
    public PlateNeed recording(String... codes) {
        return noted(new Notes("", List.of(), List.of(), List.of(codes), List.of(), "", List.of()));
    }

    /// The same with sounds to be recorded, by their codes.
    public PlateNeed hearing(String... codes) {
        return noted(new Notes("", List.of(), List.of(), List.of(), List.of(codes), "", List.of()));
    }

    /// The same with what is worn, by its code.
    public PlateNeed wearing(String code) {
        return noted(new Notes("", List.of(), List.of(), List.of(), List.of(), code, List.of()));
    }

    /// The same with lines to be written, in the order of filming.
    public PlateNeed writing(List<String> lines) {
        return noted(new Notes("", List.of(), List.of(), List.of(), List.of(), "", lines));
    }
}
