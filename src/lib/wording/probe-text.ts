import type { ProbeView } from '../contracts/views.ts';
import { formatTemperature, type UnitChoice } from '../core/units/index.ts';
import { ageText } from './time-text.ts';

/** What a probe says and whether it can be believed, in the words of a glance. */
export function probeText(probe: ProbeView, nowMs: number, units: UnitChoice): string {
	const says = `${probe.name} ${formatTemperature({ celsius: probe.celsius }, 1, units)}`;
	const doubt = probeDoubt(probe, nowMs);
	return doubt === null ? says : `${says}, ${doubt}`;
}

/** Why a probe is doubted; null while it is not. */
export function probeDoubt(
	probe: Pick<ProbeView, 'silent' | 'unmoved' | 'measuredAtMs'>,
	nowMs: number
): string | null {
	if (probe.silent) return `silent, last heard ${ageText(probe.measuredAtMs, nowMs)}`;
	return probe.unmoved ? 'has not moved for hours: is it stuck?' : null;
}
