import type { WorkAct, WorkEntry } from './work-log.ts';

let taps = 0;
/** A tap of somebody. */
export function tap(
	work: string,
	act: WorkAct,
	atMs: number,
	more: Partial<Pick<WorkEntry, 'by' | 'untilMs' | 'because'>> = {}
): WorkEntry {
	taps += 1;
	return {
		id: `tap ${taps}`,
		work,
		act,
		atMs,
		by: 'Ilo',
		untilMs: null,
		because: '',
		celsius: null,
		...more
	};
}
