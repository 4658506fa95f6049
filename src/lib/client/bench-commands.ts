/** What is done at the bench: it happened, whether the server heard of it or not. */
export const BENCH_COMMANDS = [
	'take-reading',
	'measure-dough',
	'check-dough',
	'end-dough',
	'move-dough',
	'judge-readiness',
	'strike-entry',
	'weigh-line',
	'strike-weighing',
	'feed-culture',
	'tend-culture',
	'strike-culture',
	'tap-work',
	'strike-work',
	'tell-result',
	'strike-result'
] as const;
export type BenchCommand = (typeof BENCH_COMMANDS)[number];
