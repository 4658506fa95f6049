import type { WorkAct } from '../core/bench/index.ts';
import { clockText } from './time-text.ts';

/** What was tapped, behind the name of the work. */
export const TAPPED_TEXT: Readonly<Record<WorkAct, string>> = {
	begun: 'begun',
	ended: 'done',
	'left-out': 'left out',
	'put-off': 'not yet'
};

/** Somebody was first with what was tapped; `by` is empty where it is known without a tap. */
export function tappedAlreadyText(
	{ by, act, atMs }: { readonly by: string; readonly act: WorkAct; readonly atMs: number },
	zone: string
): string {
	const who = by === '' ? 'It is known already' : `${by} tapped it already`;
	return `${who}: ${TAPPED_TEXT[act]} ${clockText(atMs, zone)}. Nothing was written twice.`;
}
