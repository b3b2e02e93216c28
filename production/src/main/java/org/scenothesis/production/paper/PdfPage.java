package org.scenothesis.production.paper;

import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.svgsupport.BatikSVGDrawer;
import com.openhtmltopdf.util.XRLog;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import org.scenothesis.production.fonts.Fonts;

/// A page of words and drawings as PDF, in the house's own type.
public final class PdfPage {
    private PdfPage() {}

    /// Of a well-formed page, its drawings as SVG within it.
    public static byte[] of(String xhtml) {
        // The PDF writer is chatty about every font it meets.
        XRLog.setLoggingEnabled(false);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        PdfRendererBuilder b = new PdfRendererBuilder();
        for (Fonts.Face f : Fonts.all()) {
            b.useFont(f::open, f.family(), f.weight(), BaseRendererBuilder.FontStyle.NORMAL, true);
        }
        try (BatikSVGDrawer svg = new BatikSVGDrawer()) {
            b.useSVGDrawer(svg).withHtmlContent(xhtml, null).withProducer("Scenothesis").toStream(out).run();
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
        return out.toByteArray();
    }
}
