import type { ProbeView } from '../contracts/views.ts';
import { ageText } from './time-text.ts';

/** Why a probe is doubted; null while it is not. */
export function probeDoubt(
	probe: Pick<ProbeView, 'silent' | 'unmoved' | 'measuredAtMs'>,
	nowMs: number
): string | null {
	if (probe.silent) return `silent, last heard ${ageText(probe.measuredAtMs, nowMs)}`;
	return probe.unmoved ? 'has not moved for hours: is it stuck?' : null;
}
