package org.scenothesis.core.breakdown.fact;

import java.util.Locale;

/// An answer that can be given to a fact: a constant of the fact's own kind, so that no rule can ask for what nobody can answer. The first
/// of a kind is assumed until another is given. Facts that are answered by yes or no have none of their own ([Answers#yes]).
public sealed interface Answer {
    /// Its constant's name; every kind is an enum.
    String name();

    /// How documents and the command line write it.
    default String code() {
        return name().toLowerCase(Locale.ROOT);
    }

    /// Whether this is the answer of such a code.
    default boolean isCalled(String code) {
        return name().equalsIgnoreCase(code);
    }

    /// Answers `who`.
    enum Who implements Answer {THING, PERSON, CHILD, ANIMAL}

    /// Answers `motion`.
    enum Motion implements Answer {DRIFTS, STILL, TURNS, WALKS, THROWN}

    /// Answers `edge`.
    enum Edge implements Answer {CLEAN, HAIR, GLASS, SMOKE}

    /// Answers `support`.
    enum Support implements Answer {ROD, LINE, HAND, STOOL, BOX, CHAIR, TABLE, LADDER, HARNESS, NONE}

    /// Answers `body`.
    enum Body implements Answer {WHOLE, HALVES}

    /// Answers `filmedAt`.
    enum FilmedAt implements Answer {HEIGHT, FLOOR}

    /// Answers `frontIs`.
    enum FrontIs implements Answer {PERSON, THING}

    /// Answers `shadowOn`.
    enum ShadowOn implements Answer {FLOOR, WALL, BOTH}

    /// Answers `costume`.
    enum Costume implements Answer {PLAIN, HOOD, INFLATED, LEGS}

    /// Answers `touch`.
    enum Touch implements Answer {APART, OVERLAP, TOUCH}

    /// Answers `pace`.
    enum Pace implements Answer {OWN, SIZE}

    /// Answers `contact`.
    enum Contact implements Answer {NO, THINGS, PEOPLE}

    /// Answers `by`.
    enum By implements Answer {CLOTH, SUIT, HOOD, SLEEVES, LEGS}

    /// Answers `hiddenAs`.
    enum HiddenAs implements Answer {GONE, THROUGH}

    /// Answers `part`.
    enum Part implements Answer {ALL, HEAD, ARMS, LEGS, TORSO}

    /// Answers `surface`.
    enum Surface implements Answer {NONE, HARD, YIELDS}

    /// Answers `operator`.
    enum Operator implements Answer {ROD, LINE, GLOVE, SUIT, PUPPETEER}

    /// Answers `secondIs`.
    enum SecondIs implements Answer {
        THING, PERSON, CHILD, ANIMAL;

        /// The same as an answer of who it is.
        public Who who() {
            return Who.valueOf(name());
        }
    }

    /// Answers `secondWears`.
    enum SecondWears implements Answer {PLAIN, COSTUME}

    /// Answers `turn`.
    enum Turn implements Answer {BECOMES, APPEARS, VANISHES, BACK}

    /// Answers `event`.
    enum Event implements Answer {CUT, FLASH, CLOTH, SMOKE, PASS}

    /// Answers `source`.
    enum Source implements Answer {MADE, EXISTING}

    /// Answers `element`.
    enum Element implements Answer {FILMED, EXISTING, DRAWN}

    /// Answers `elementGround`.
    enum ElementGround implements Answer {BLACK, WHITE, ALPHA, SCREEN}

    /// Answers `backgroundCamera`.
    enum BackgroundCamera implements Answer {STILL, PUSHES, DRIFTS, PARALLAX}

    /// Answers `frameKind`.
    enum FrameKind implements Answer {DISPLAY, DOORWAY, MIRROR, PICTURE, PAGE}

    /// Answers `energy`.
    enum Energy implements Answer {GLOW, SPARKS, FIRE, SMOKE, FLASHES}

    /// Answers `point`.
    enum Point implements Answer {HAND, HEAD, CHEST, THING}

    /// Answers `ground`.
    enum Ground implements Answer {WHITE, BLACK, SCREEN}

    /// Answers `material`.
    enum Material implements Answer {PAPER, POWDER, LEAVES, WATER, SAND}

    /// Answers `after`.
    enum After implements Answer {CHANGED, OTHER}

    /// Answers `writtenOn`.
    enum WrittenOn implements Answer {GLASS, WALL, DISPLAY}

    /// Answers `rig`.
    enum Rig implements Answer {REMOVED, HIDDEN, NONE}

    /// Answers `stillsOn`.
    enum StillsOn implements Answer {PLACE, CLOTH}

    /// Answers `base`.
    enum Base implements Answer {HERE, ELSEWHERE, EXISTING}

    /// Answers `baseCamera`.
    enum BaseCamera implements Answer {STILL, PUSHES, DRIFTS, PARALLAX}

    /// Answers `inItBy`.
    enum InItBy implements Answer {AVOIDED, COVERED}

    /// Answers `place`.
    enum Place implements Answer {REAL, STUDIO}

    /// Answers `background`.
    enum Background implements Answer {QUIET, MOVES}

    /// Answers `camera`.
    enum Camera implements Answer {LOCKED, PUSH, HANDHELD, MOVING}

    /// Answers `light`.
    enum Light implements Answer {LAMPS, SUN, SHADE, OVERCAST}

    /// Answers `keyFrom`.
    enum KeyFrom implements Answer {LEFT, RIGHT, FRONT, BEHIND, ABOVE}

    /// Answers `keyHard`.
    enum KeyHard implements Answer {SOFT, HARD}

    /// Answers `shades`.
    enum Shades implements Answer {PLAIN, PATTERNED}

    /// Answers `cloths`.
    enum Cloths implements Answer {BOTH, GREEN, BLUE, NONE}

    /// Answers `suits`.
    enum Suits implements Answer {
        BOTH, GREEN, BLUE, NONE;

        /// The same as an answer of which cloths there are.
        public Cloths cloths() {
            return Cloths.valueOf(name());
        }
    }

    /// Answers `floor`.
    enum Floor implements Answer {HARD, SOFT, GLOSSY}

    /// Answers `dolly`.
    enum Dolly implements Answer {NO, CHAIR, VEHICLE}

    /// Answers `records`.
    enum Records implements Answer {PHONE, CAMERA, INTRA, RAW}
}
