import type { ProbeView } from '../contracts/water-views.ts';
import { probeState, type ProbeState } from '../core/mixing/index.ts';
import { ageText } from './time-text.ts';

/** Whether a probe can be believed at a moment. */
export function stateOfProbe(probe: ProbeView, nowMs: number): ProbeState {
	return probeState({ ...probe, atMs: probe.measuredAtMs }, nowMs);
}

/** Why a probe is doubted; null while it is not. */
export function probeDoubt(probe: ProbeView, nowMs: number): string | null {
	const { silent, unmoved } = stateOfProbe(probe, nowMs);
	if (silent) return `silent, last heard ${ageText(probe.measuredAtMs, nowMs)}`;
	return unmoved ? 'has not moved for hours: is it stuck?' : null;
}
