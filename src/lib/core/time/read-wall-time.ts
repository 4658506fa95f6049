import { fail, ok, type Result } from '../result.ts';
import type { WallTime } from './wall-time.ts';

export type WallTimeFailure = { readonly kind: 'not-a-time'; readonly text: string };

/**
 * Reads a time of day as people type it: "2", "230", "2:30", "02.30", "14h30".
 * Range: 00:00 to 23:59. Source: our default. Failures: `not-a-time` with the text as it stood.
 * Example: "530" is 05:30; "2560" is none.
 */
export function readWallTime(text: string): Result<WallTime, WallTimeFailure> {
	const found =
		/^\s*(\d{1,2})\s*[:.h]\s*(\d{2})\s*$/i.exec(text) ??
		/^\s*(\d{1,2})(\d{2})?\s*h?\s*$/i.exec(text);
	const [hours, minutes] = [Number(found?.[1]), Number(found?.[2] ?? 0)];
	if (!found || !(hours < 24) || !(minutes < 60)) return fail({ kind: 'not-a-time', text });
	const two = (number: number) => String(number).padStart(2, '0');
	return ok(`${two(hours)}:${two(minutes)}` as WallTime);
}
