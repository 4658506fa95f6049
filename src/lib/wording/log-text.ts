import type { LoggedWork, NightLog } from '../core/bench/index.ts';
import { formatMinutes } from '../core/units/index.ts';

/** How a night went, in one sentence. */
export function logSentence(log: NightLog, nameOf: (one: LoggedWork) => string): string {
	const { done, of, late, leftOut } = log;
	if (done === 0 && leftOut === 0) return 'Nothing was tapped at the bench for this date yet.';
	const [latest] = late;
	const said = `${done} of ${of} things are done`;
	if (!latest) return `${said}, none of them late.`;
	return `${said}, ${late.length === 1 ? 'one' : late.length} late: ${nameOf(latest)} by ${formatMinutes(latest.laterMinutes ?? 0)}${late.length > 1 ? ' the most' : ''}.`;
}

/** How far from its plan something was: "15 min later", "4 min sooner", "as planned". */
export function laterText({ laterMinutes, state }: LoggedWork): string {
	if (state.kind === 'left-out') return 'left out';
	if (laterMinutes === null) return '';
	if (laterMinutes === 0) return 'as planned';
	return `${formatMinutes(Math.abs(laterMinutes))} ${laterMinutes > 0 ? 'later' : 'sooner'}`;
}
