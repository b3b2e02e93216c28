package org.scenothesis.production.paper;

import biweekly.Biweekly;
import biweekly.ICalendar;
import biweekly.component.VEvent;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.Date;
import java.util.Optional;
import org.scenothesis.core.breakdown.day.DayPlan;
import org.scenothesis.core.breakdown.day.RunningOrder;
import org.scenothesis.core.shot.Location;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.production.words.PlanWords;

/// The running order as an iCalendar (RFC 5545): times in UTC where the place's zone is known, else by the clock on the wall.
final class DayCalendar {
    private DayCalendar() {}

    static String ics(DayPlan day) {
        ICalendar calendar = new ICalendar();
        calendar.setProductId("-//Scenothesis//Running order//EN");
        LocalDate date = day.production().day().day().orElseThrow();
        Optional<Location> place = day.production().shots().stream().map(Shot::setting).flatMap(s -> s.inTheOpen().stream()).findFirst();
        // Without a place the times are those of the clock on the wall: written as they are, without a zone.
        ZoneId zone = place.map(Location::zoneId).orElse(ZoneId.systemDefault());
        double call = day.production().day().call().toSecondOfDay() / 60.0;
        calendar.addEvent(event("call", "Call: " + day.production().title(), "", call, day.production().day().prepareMinutes(), date,
                zone));
        for (RunningOrder.Step s : day.order().steps()) {
            String changes = s.changes().isEmpty() ? "" : PlanWords.changes(s.changes());
            calendar.addEvent(event(
                    s.job().id(), "Shot " + s.job().shot() + ": " + PlanWords.name(s.job()), String.join("\n", PlanWords.notes(s.need()))
                    + "\n" + changes,
                    day.clock(s) - s.changeMinutes(), s.changeMinutes() + s.job().minutes(), date, zone));
        }
        calendar.getTimezoneInfo().setGlobalFloatingTime(place.isEmpty());
        return Biweekly.write(calendar).go();
    }

    private static VEvent event(String id, String what, String about, double at, double minutes, LocalDate date, ZoneId zone) {
        VEvent e = new VEvent();
        e.setUid(id.replaceAll("[^A-Za-z0-9/-]", "-") + "@scenothesis");
        e.setSummary(what);
        if (!about.isBlank()) {
            e.setDescription(about.strip());
        }
        e.setDateStart(instant(at, date, zone), true);
        e.setDateEnd(instant(at + Math.max(1, minutes), date, zone), true);
        e.setDateTimeStamp(instant(0, date, zone));
        return e;
    }

    private static Date instant(double minutes, LocalDate date, ZoneId zone) {
        LocalDateTime at = date.atStartOfDay().plusSeconds(Math.round(minutes) * 60);
        return Date.from(at.atZone(zone).toInstant());
    }
}
