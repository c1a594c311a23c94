package overturn.calculation;

import java.util.List;
import java.util.function.UnaryOperator;
import overturn.circuit.Assist;
import overturn.circuit.Component;
import overturn.circuit.Component.Master;
import overturn.circuit.End.DiscEnd;
import overturn.circuit.End.DrumEnd;
import overturn.circuit.End.Slave;
import overturn.circuit.Input.Lever;
import overturn.circuit.Input.Pedal;
import overturn.circuit.Layout;

/** A layout with some dimensions replaced, for what-ifs. */
final class LayoutVariant {

    private LayoutVariant() {}

    private static Layout each(Layout layout, UnaryOperator<Component> change) {
        List<Component> parts = layout.components().stream().map(change).toList();
        return new Layout(layout.id(), layout.family(), parts, layout.joints());
    }

    static Layout withBore(Layout layout, double boreMm) {
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
                                m.residualValveBar())
                        : c);
    }

    static Layout withRatio(Layout layout, double ratio) {
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
    static Layout withPistonArea(Layout layout, double factor) {
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
    static Layout withAssist(Layout layout, double areaMm2, double gain, double supplyKpa) {
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
