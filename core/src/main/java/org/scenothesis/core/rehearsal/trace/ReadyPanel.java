package org.scenothesis.core.rehearsal.trace;

/// A panel with its normal and edges worked out. A ray that only asks whether light gets through does not ask how the cloth is bent.
final class ReadyPanel extends Ready {
    private final Panel panel;
    private final double lu;
    private final double lv;
    private final double cx;
    private final double cy;
    private final double cz;
    private final double nx;
    private final double ny;
    private final double nz;
    private final double ux;
    private final double uy;
    private final double uz;
    private final double vx;
    private final double vy;
    private final double vz;

    ReadyPanel(Panel panel) {
        super(panel);
        this.panel = panel;
        lu = panel.edgeU().length();
        lv = panel.edgeV().length();
        cx = panel.corner().x();
        cy = panel.corner().y();
        cz = panel.corner().z();
        nx = panel.normal().x();
        ny = panel.normal().y();
        nz = panel.normal().z();
        ux = panel.edgeU().x() / lu;
        uy = panel.edgeU().y() / lu;
        uz = panel.edgeU().z() / lu;
        vx = panel.edgeV().x() / lv;
        vy = panel.edgeV().y() / lv;
        vz = panel.edgeV().z() / lv;
    }

    @Override
    void hit(Ray ray) {
        if (ray.shadow && panel.opening()) {
            return;
        }
        double down = nx * ray.dx + ny * ray.dy + nz * ray.dz;
        double t = (nx * (cx - ray.ox) + ny * (cy - ray.oy) + nz * (cz - ray.oz)) / down;
        if (!(t >= Solid.NEAR && t < ray.far)) {
            return;
        }
        double px = ray.ox + t * ray.dx - cx;
        double py = ray.oy + t * ray.dy - cy;
        double pz = ray.oz + t * ray.dz - cz;
        double u = px * ux + py * uy + pz * uz;
        double v = px * vx + py * vy + pz * vz;
        if (u < 0 || v < 0 || u > lu || v > lv) {
            return;
        }
        ray.meet(panel, t, nx, ny, nz);
        if (ray.shadow) {
            return;
        }
        ray.u = u;
        ray.v = v;
        if (panel.wrinkle() > 0) {
            panel.bend(ray, lu, lv);
        }
    }
}
