import type { BakeDate } from '../../../src/lib/core/time/index.ts';
import { nightId, type Night } from './night.ts';

/** Somebody helped out for a while, left, and asked that nothing names them any more. */
export async function comesAndGoes({ tell }: Night): Promise<void> {
	const helper = {
		kind: 'save-entry' as const,
		entryId: nightId('helper'),
		entryKind: 'person' as const,
		appliesFrom: '2026-11-01' as BakeDate,
		name: 'Tamsin Rell',
		content: {
			role: 'baker' as const,
			skills: [],
			shifts: [],
			exceptions: [],
			pacePercent: 100
		}
	};
	await tell(564, { ...helper, expectedNumber: 0, retired: false });
	// Still here: nothing is taken out.
	await tell(564, { kind: 'forget-person', personId: helper.entryId });
	await tell(564, { ...helper, expectedNumber: 1, retired: true });
	await tell(564, { kind: 'forget-person', personId: helper.entryId });
}
