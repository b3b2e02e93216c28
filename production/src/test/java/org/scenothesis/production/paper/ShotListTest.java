package org.scenothesis.production.paper;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Shot;

class ShotListTest {
    @ParameterizedTest
    @ValueSource(strings = {",", ";", "\t"})
    void shotsIllusionsAndFactsAreReadWhateverPartsTheColumns(String separator) {
        ShotList l = ShotList.read("""
                shot|title|seconds|wonder|subject|from|to|heightM|light
                12|The lantern that lifts|6|floats|the lantern|2|6|0.44|lamps
                12||8|wiped by a material|the leaves||||
                13|Twice|5 s|Two or more of the same|the maker||||sun
                """.replace("|", separator));
        assertThat(l.notes()).isEmpty();
        assertThat(l.shots()).extracting(Shot::id).containsExactly("12", "13");
        Shot s = l.shots().getFirst();
        assertThat(s.seconds()).isEqualTo(8);
        assertThat(s.illusions()).extracting(w -> w.kind()).containsExactly(IllusionKind.FLOATS, IllusionKind.WIPED);
        assertThat(s.illusions().getFirst().facts()).containsEntry("heightM", "0.44");
        assertThat(l.shots().getLast().setting().facts()).containsEntry("light", "sun");
    }

    @Test
    void whatIsNotUnderstoodIsSaidWithLineAndColumnAndLeftOut() {
        ShotList l = ShotList.read("""
                shot,wonder,subject,from,to,facts,mood
                1,floats,the lantern,2,1,motion=dances; heigth=3; heightM=0.5; what,blue
                1,teleports,the maker,soon,,,
                ,floats,x,,,,
                """);
        assertThat(l.shots()).hasSize(1);
        assertThat(l.shots().getFirst().illusions()).hasSize(1).first().satisfies(w -> {
            assertThat(w.facts()).containsOnlyKeys("heightM");
            assertThat(w.fromSeconds()).isZero();
        });
        assertThat(l.notes()).extracting(ShotList.Note::sentence).anySatisfy(n -> assertThat(n).contains("mood"))
                .anySatisfy(n -> assertThat(n).contains("dances").contains("drifts")).anySatisfy(n -> assertThat(n).contains("heigth"))
                .anySatisfy(n -> assertThat(n).contains("what")).anySatisfy(n -> assertThat(n).contains("teleports")
                .contains("frame by frame"))
                .anySatisfy(n -> assertThat(n).contains("before it begins")).anySatisfy(n -> assertThat(n).startsWith("line 4")
                .contains("no shot is named"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "just a sentence", "a,b\n1,2", "shot,title\n\"1,unclosed", "\u0000\u0001\u0002"})
    void whatIsNoListGivesASentenceAndNoShots(String text) {
        ShotList l = ShotList.read(text);
        assertThat(l.shots()).isEmpty();
        assertThat(l.notes()).isNotEmpty();
    }

    @Test
    void bringingAListInAddsAndNeverOverwrites() {
        Production p = new Production("p", List.of(), HouseRules.DEFAULT);
        ShotList l = ShotList.read("\ufeffshot,title,wonder,subject\n7,First,floats,the lantern\nseven,Second,copies,the maker\n");
        Production once = l.into(p);
        assertThat(once.shots()).extracting(Shot::number).containsExactly(7, 8);
        Production changed = once.withShot("7", s -> s.told("Mine", "", 9));
        Production twice = l.into(changed);
        assertThat(twice.shot("7").title()).isEqualTo("Mine");
        assertThat(twice.shot("7").illusions()).hasSize(1);
        assertThat(twice.shots()).hasSize(2);
    }
}
