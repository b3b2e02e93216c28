package org.scenothesis.core.breakdown.fact;

import java.util.EnumMap;
import java.util.EnumSet;
import java.util.Map;
import java.util.Set;

/// What a question is about, so that few are asked first and the rest lie in groups with names: who and what, where the base is, who is in
/// front, does it move.
public enum Topic {
    FIRST(
            Fact.BASE, Fact.WHO, Fact.TURN, Fact.SECOND, Fact.SECOND_IS, Fact.EVENT, Fact.COUNT, Fact.FACTOR, Fact.HIDDEN_AS, Fact.BY,
            Fact.OPERATOR, Fact.ENERGY,
            Fact.MATERIAL, Fact.TITLES, Fact.WRITTEN_ON, Fact.FRAME_KIND, Fact.SOURCE, Fact.ELEMENT, Fact.CROSSED, Fact.BEHIND, Fact.FRONT,
            Fact.FRONT_IS, Fact.TOUCH, Fact.FEET,
            Fact.MOTION, Fact.RIG, Fact.STILLS_ON, Fact.PLACE, Fact.CAMERA, Fact.LIGHT),
    SIZES(
            Fact.SIZE_M, Fact.HEIGHT_M, Fact.REST_M, Fact.TRAVEL_M, Fact.SECOND_SIZE_M, Fact.AT_S, Fact.BACK_S, Fact.NEAREST_M,
            Fact.FARTHEST_M, Fact.AMOUNT, Fact.PACE, Fact.CHANGES, Fact.WIPE_S, Fact.FILMED_S,
            Fact.RATE, Fact.PER_FRAME_S, Fact.FILLS, Fact.FILMED_FILLS),
    PEOPLE(Fact.PERFORMER, Fact.ACTOR, Fact.EYES_M, Fact.DISTANCE_M, Fact.LOOKS, Fact.CONTACT, Fact.ROWS, Fact.DIRECTIONS,
            Fact.APART_SHARE, Fact.IN_IT, Fact.IN_IT_BY),
    HELD(
            Fact.SUPPORT, Fact.SUPPORT_COUNT, Fact.SUPPORT_STAYS, Fact.BODY, Fact.FILMED_AT, Fact.SURFACE, Fact.INSIDE_SEEN,
            Fact.OVER_CLOTHES, Fact.HAND_SEEN, Fact.LIMBS, Fact.BACK, Fact.PART,
            Fact.COSTUME, Fact.STAGES, Fact.SECOND_WEARS, Fact.AFTER),
    EDGES(Fact.EDGE, Fact.GREEN_NEAR, Fact.COLOURS, Fact.CORNERS, Fact.REFLECTS, Fact.IN_FRONT, Fact.GROUND, Fact.ELEMENT_GROUND,
            Fact.ELEMENT_PX, Fact.HIGH, Fact.RIM),
    LIGHTS(
            Fact.SHADOW, Fact.SHADOW_ON, Fact.GLOWS, Fact.LIGHTS, Fact.FLASHES, Fact.POINT, Fact.KEY_FROM, Fact.KEY_UP_DEG, Fact.KEY_HARD,
            Fact.KEY_K, Fact.KEY_FILL, Fact.HOT_LAMPS, Fact.LAMPS_SEEN,
            Fact.SHADES, Fact.MIXED),
    BASES(
            Fact.BASE_CAMERA, Fact.BASE_EMPTY, Fact.BASE_PX, Fact.BASE_M, Fact.BASE_LENS_M, Fact.SCENE, Fact.BACKGROUND_CAMERA,
            Fact.EMPTY_ROOM, Fact.BACKGROUND_PX, Fact.BARS, Fact.BACKGROUND,
            Fact.FLOOR, Fact.PUBLIC, Fact.WEAPON, Fact.BORROWED_SOUND),
    SCREENS(Fact.CLOTHS, Fact.CLOTH_WIDE_M, Fact.CLOTH_HIGH_M, Fact.BEHIND_M, Fact.FOLIAGE, Fact.SUITS),
    CAMERAS(
            Fact.BACKGROUND_M, Fact.LENS_M, Fact.ROOM_M, Fact.FRAME_M, Fact.PUSH_IN, Fact.WOBBLE_PX, Fact.DOLLY, Fact.TAKES,
            Fact.RECORD_PX, Fact.FINISH_PX, Fact.RATE_PER_S, Fact.MAX_RATE,
            Fact.SENSOR_MM, Fact.F_NUMBER, Fact.FOCAL_MM, Fact.STAND_M, Fact.LAMP_M, Fact.RECORDS, Fact.MEGABITS, Fact.STILL_MEGABYTES);

    private static final Map<Fact, Topic> OF = new EnumMap<>(Fact.class);

    static {
        for (Topic t : values()) {
            t.facts.forEach(f -> OF.put(f, t));
        }
    }

    private final Set<Fact> facts;

    Topic(Fact first, Fact... more) {
        facts = EnumSet.of(first, more);
    }

    /// The group a fact is asked in.
    public static Topic of(Fact f) {
        return OF.getOrDefault(f, HELD);
    }
}
