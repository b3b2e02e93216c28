package org.scenothesis.studio.breakdown;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import org.scenothesis.core.shot.Location;
import org.scenothesis.production.words.Entered;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.Text;

/// Where a shot in the open lies and what stands before its sky; only asked when the sun lights it.
final class PlaceFields {
    private final BreakDownModel model;
    private final VBox box = new VBox(4);

    PlaceFields(BreakDownModel model) {
        this.model = model;
    }

    Node node() {
        return box;
    }

    void refresh() {
        box.getChildren().clear();
        boolean sun = model.shot().setting().facts().getOrDefault("light", "lamps").equals("sun");
        if (!sun && model.shot().setting().place() == null) {
            return;
        }
        Location p = model.shot().setting().place();
        Label said = Text.block("", "muted");
        TextField name = field("place-name", p == null ? "" : p.name(), "the yard", 10);
        TextField lat = field("place-lat", p == null ? "" : Words.number(p.latitudeDeg(), 4), "north \u00b0", 6);
        TextField lon = field("place-lon", p == null ? "" : Words.number(p.longitudeDeg(), 4), "east \u00b0", 6);
        TextField zone = field("place-zone", p == null ? "" : p.zone(), "its clock", 8);
        TextField hidden = field("place-hidden", p == null ? "" : horizon(p), "hidden 230-320:30", 12);
        for (TextField f : List.of(name, lat, lon, zone, hidden)) {
            f.setOnAction(e -> accept(said, name, lat, lon, zone, hidden));
        }
        FlowPane row = new FlowPane(6, 4, Text.of("Place", "muted"), name, lat, lon, zone, hidden,
                Text.button("Set", "floor-button", () -> accept(said, name, lat, lon, zone, hidden)));
        row.setAlignment(Pos.CENTER_LEFT);
        row.getChildren().getLast().setId("place-set");
        box.getChildren().addAll(row, said);
    }

    private static String horizon(Location p) {
        return p.horizon().stream()
                .map(o -> Words.number(o.fromAzimuthDeg(), 0) + "-" + Words.number(o.toAzimuthDeg(), 0) + ":"
                + Words.number(o.elevationDeg(), 0)).collect(Collectors.joining(" "));
    }

    private static TextField field(String id, String now, String prompt, int columns) {
        TextField f = new TextField(now);
        f.setId(id);
        f.setPromptText(prompt);
        f.setAccessibleText(prompt);
        f.setPrefColumnCount(columns);
        return f;
    }

    private void accept(Label said, TextField name, TextField lat, TextField lon, TextField zone, TextField hidden) {
        said.setText(Entered.or(() -> entered(said, name, lat, lon, zone, hidden), why -> why));
    }

    /// What is to be said at once.
    private String entered(Label said, TextField name, TextField lat, TextField lon, TextField zone, TextField hidden) {
        try {
            List<Location.Obstruction> horizon = new ArrayList<>();
            for (String s : hidden.getText().strip().split("\\s+")) {
                if (!s.isEmpty()) {
                    String[] part = s.split("[-:]");
                    horizon.add(new Location.Obstruction(Double.parseDouble(part[0]), Double.parseDouble(part[1]),
                            Double.parseDouble(part[2])));
                }
            }
            double north = number(lat);
            double east = number(lon);
            String told = told(zone.getText().strip(), north, east);
            model.clock(told, north, east, c -> {
                said.setText(Words.of("place-fields.clock-of-the-place", Words.of("clock." + c.from().name(), c.zone())));
                model.place(new Location(name.getText().strip(), north, east, c.zone(), horizon));
            }, said::setText);
            return Words.of("place-fields.looking-up-the-clock-of");
        } catch (NumberFormatException | ArrayIndexOutOfBoundsException e) {
            return Words.of("place-fields.give-degrees-as-numbers-and");
        }
    }

    /// A clock that went with another place is none that was told for this one; a fixed one somebody told stays.
    private String told(String zone, double north, double east) {
        Location before = model.shot().setting().place();
        if (before == null) {
            return zone;
        }
        boolean moved = Math.abs(before.latitudeDeg() - north) > 1e-4 || Math.abs(before.longitudeDeg() - east) > 1e-4;
        return moved && zone.equals(before.zone()) && !before.zoneId().getRules().isFixedOffset() ? "" : zone;
    }

    private static double number(TextField f) {
        return Double.parseDouble(f.getText().strip().replace(',', '.').replace('\u2212', '-'));
    }
}
