package overturn.circuit;

import java.util.List;
import java.util.function.UnaryOperator;
import overturn.circuit.Component.Master;
import overturn.circuit.End.DiscEnd;
import overturn.circuit.End.DrumEnd;
import overturn.circuit.End.Slave;
import overturn.circuit.Input.Lever;
import overturn.circuit.Input.Pedal;

/** A layout with some dimensions replaced: for what-ifs, and after a repair that put another size in. */
public final class LayoutVariant {

    private LayoutVariant() {}

    private static Layout each(Layout layout, UnaryOperator<Component> change) {
        return each(layout, layout.id(), change);
    }

    private static Layout each(Layout layout, String id, UnaryOperator<Component> change) {
        List<Component> parts = layout.components().stream().map(change).toList();
        return new Layout(id, layout.family(), parts, layout.joints());
    }

    /** The same circuit under another id. */
    public static Layout named(Layout layout, String id) {
        return each(layout, id, UnaryOperator.identity());
    }

    /**
     * One end with pistons of another diameter, mm; its clearance volume and stiffness go with their area. A slave is
     * told by its area, so its diameter is that of one piston.
     */
    public static Layout withPiston(Layout layout, String endId, double pistonMm) {
        double now = pistonMm(layout.component(endId));
        Layout changed = withPistonArea(layout, pistonMm * pistonMm / (now * now));
        return each(layout, c -> c.id().equals(endId) ? changed.component(endId) : c);
    }

    private static double pistonMm(Component end) {
        return end instanceof DiscEnd disc
                ? disc.pistonMm()
                : end instanceof DrumEnd drum ? drum.cylinderMm() : 2 * Math.sqrt(((Slave) end).areaMm2() / Math.PI);
    }

    /** Pedal or lever set to another free play, mm. */
    public static Layout withFreePlay(Layout layout, double freePlayMm) {
        return each(
                layout,
                c -> c instanceof Pedal p
                        ? new Pedal(p.id(), p.ratio(), p.travelToFloorMm(), freePlayMm)
                        : c instanceof Lever l
                                ? new Lever(l.id(), l.ratioAtRest(), l.ratioAtGrip(), l.travelToGripMm(), freePlayMm)
                                : c);
    }

    /** A master of another bore, mm. */
    public static Layout withBore(Layout layout, double boreMm) {
        return each(
                layout,
                c -> c instanceof Master m
                        ? new Master(
                                m.id(),
                                m.kind(),
                                boreMm,
                                Math.max(boreMm, m.fastFillBoreMm() > m.boreMm() ? m.fastFillBoreMm() : boreMm),
                                m.primaryStrokeMm(),
                                m.secondaryStrokeMm(),
                                m.portTravelMm(),
                                m.springsN(),
                                m.residualValveBar(),
                                m.bleedScrew())
                        : c);
    }

    /** Pedal or lever of another ratio. */
    public static Layout withRatio(Layout layout, double ratio) {
        double factor = ratio / layout.input().ratioAtRest();
        return each(
                layout,
                c -> c instanceof Pedal p
                        ? new Pedal(p.id(), ratio, p.travelToFloorMm(), p.freePlayMm() * factor)
                        : c instanceof Lever l
                                ? new Lever(
                                        l.id(),
                                        ratio,
                                        l.ratioAtGrip() * factor,
                                        l.travelToGripMm(),
                                        l.freePlayMm() * factor)
                                : c);
    }

    /** Pistons of every end of another area; clearance volume and stiffness go with it. */
    public static Layout withPistonArea(Layout layout, double factor) {
        double diameter = Math.sqrt(factor);
        return each(
                layout,
                c -> c instanceof DiscEnd d
                        ? new DiscEnd(
                                d.id(),
                                d.axle(),
                                d.side(),
                                d.pistonMm() * diameter,
                                d.pistonsPerSide(),
                                d.clearancePerPadMm(),
                                d.softMlPerBar() * factor,
                                d.firmMlPerBar() * factor,
                                d.radiusMm())
                        : c instanceof DrumEnd d
                                ? new DrumEnd(
                                        d.id(),
                                        d.axle(),
                                        d.side(),
                                        d.cylinderMm() * diameter,
                                        d.clearancePerShoeMm(),
                                        d.softMlPerBar() * factor,
                                        d.firmMlPerBar() * factor,
                                        d.radiusMm(),
                                        d.parkingBrake())
                                : c instanceof Slave s
                                        ? new Slave(
                                                s.id(),
                                                s.areaMm2() * factor,
                                                s.strokeMm(),
                                                s.forkRatio(),
                                                s.releaseTravelMm(),
                                                s.biteBar() / factor,
                                                s.fullBar() / factor,
                                                s.concentric())
                                        : c);
    }

    /** A vacuum assist of other figures; any other layout stays as it is. */
    public static Layout withAssist(Layout layout, double areaMm2, double gain, double supplyKpa) {
        return each(
                layout,
                c -> c instanceof Assist.VacuumAssist a
                        ? new Assist.VacuumAssist(
                                a.id(),
                                areaMm2,
                                gain,
                                a.thresholdN(),
                                a.jumpInN(),
                                supplyKpa,
                                a.valveLashMm(),
                                a.reserveStrokes())
                        : c);
    }
}
