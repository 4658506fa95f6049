import { resolve } from '$app/paths';
import type { BakeDayInput } from '../core/planning/index.ts';

/** The work of a date if a drop had ordered so many times as much; null where the server does not answer. */
export async function dayAsIf(
	date: string,
	dropId: string,
	times: number
): Promise<BakeDayInput | null> {
	const query = new URLSearchParams({ drop: dropId, times: String(times) });
	try {
		const answer = await fetch(`${resolve(`/bake/${date}/plan/as-if`)}?${query}`);
		return answer.ok ? ((await answer.json()) as BakeDayInput) : null;
	} catch {
		return null;
	}
}
