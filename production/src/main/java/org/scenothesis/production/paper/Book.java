package org.scenothesis.production.paper;

import freemarker.template.Configuration;
import freemarker.template.TemplateException;
import freemarker.template.TemplateExceptionHandler;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.InputStream;
import java.io.StringWriter;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.scenothesis.core.breakdown.day.DayPlan;
import org.scenothesis.production.fonts.Fonts;

/// The papers of a day: HTML from a template each, and the same as PDF.
final class Book {
    private static final double STEP_PT = 0.3;

    private Book() {}

    /// A page that stands alone: fonts and drawings are in it.
    static String html(Paper.Kind kind, DayPlan day) {
        return page(kind, day, faces(), kind == Paper.Kind.DAY ? fit(day) : Fit.USUAL);
    }

    static byte[] pdf(Paper.Kind kind, DayPlan day) {
        return pdf(kind, day, kind == Paper.Kind.DAY ? fit(day) : Fit.USUAL);
    }

    /// Paper and letters of the day sheet.
    private record Fit(String paper, double pt) {
        static final Fit USUAL = new Fit("A4", Sheets.LARGE_PT);
    }

    /// The largest letters with which the day is one page; a long day takes larger paper.
    private static Fit fit(DayPlan day) {
        double small = largest(day, "A4");
        return small >= Sheets.SMALL_PT ? new Fit("A4", small) : new Fit("A3", largest(day, "A3"));
    }

    private static double largest(DayPlan day, String paper) {
        if (pageCount(pdf(Paper.Kind.DAY, day, new Fit(paper, Sheets.LARGE_PT))) == 1) {
            return Sheets.LARGE_PT;
        }
        double low = Sheets.LEAST_PT;
        double high = Sheets.LARGE_PT;
        while (high - low > STEP_PT) {
            double mid = (low + high) / 2;
            if (pageCount(pdf(Paper.Kind.DAY, day, new Fit(paper, mid))) == 1) {
                low = mid;
            } else {
                high = mid;
            }
        }
        return low;
    }

    private static int pageCount(byte[] pdf) {
        try (PDDocument doc = Loader.loadPDF(pdf)) {
            return doc.getNumberOfPages();
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    private static byte[] pdf(Paper.Kind kind, DayPlan day, Fit fit) {
        return PdfPage.of(page(kind, day, "", fit));
    }

    static List<BufferedImage> pages(Paper.Kind kind, DayPlan day, int widthPx, int most) {
        List<BufferedImage> out = new ArrayList<>();
        try (PDDocument doc = Loader.loadPDF(pdf(kind, day))) {
            PDFRenderer renderer = new PDFRenderer(doc);
            for (int i = 0; i < Math.min(most, doc.getNumberOfPages()); i++) {
                out.add(renderer.renderImage(i, widthPx / doc.getPage(i).getMediaBox().getWidth()));
            }
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
        return out;
    }

    private static String page(Paper.Kind kind, DayPlan day, String faces, Fit fit) {
        Configuration c = new Configuration(Configuration.VERSION_2_3_34);
        c.setClassForTemplateLoading(Book.class, "");
        c.setDefaultEncoding("UTF-8");
        c.setLocale(Locale.ENGLISH);
        c.setNumberFormat("computer");
        c.setLogTemplateExceptions(false);
        c.setTemplateExceptionHandler(TemplateExceptionHandler.RETHROW_HANDLER);
        StringWriter out = new StringWriter();
        try {
            Map<String, Object> model = switch (kind) {
                case BOOK -> new BookModel(day).all();
                case DAY -> new Sheets(day).day(fit.paper, fit.pt);
                case SLIPS -> new Sheets(day).slips();
            };
            model.put("faces", faces);
            c.getTemplate(kind.name().toLowerCase(Locale.ROOT) + ".ftlh").process(model, out);
        } catch (IOException | TemplateException e) {
            throw new IllegalStateException(e);
        }
        // Characters that no XML may hold would stop the page from being laid out at all.
        return out.toString().replaceAll("[\\x00-\\x08\\x0B\\x0C\\x0E-\\x1F\\x{D800}-\\x{DFFF}\\x{FFFE}\\x{FFFF}]", "");
    }

    private static String faces() {
        StringBuilder b = new StringBuilder();
        for (Fonts.Face f : List.of(Fonts.all().get(0), Fonts.all().get(2), Fonts.all().get(5))) {
            try (InputStream in = f.open()) {
                b.append("@font-face { font-family: \"").append(f.family()).append("\"; font-weight: ").append(f.weight())
                        .append("; src: url(data:font/ttf;base64,")
                        .append(Base64.getEncoder().encodeToString(in.readAllBytes())).append("); }\n");
            } catch (IOException e) {
                throw new IllegalStateException(e);
            }
        }
        return b.toString();
    }
}
