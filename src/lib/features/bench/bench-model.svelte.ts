import { readUntilTold } from '../../client/read-until-told.ts';
import type { Outbox } from '../../client/outbox.svelte.ts';
import type { BenchMomentView, BenchView } from '../../contracts/bench-views.ts';
import {
	alsoKnown,
	boardOf,
	dropsExpected,
	expectedOf,
	workStates,
	type BoardWork,
	type Whose,
	type WorkAct,
	type WorkEntry
} from '../../core/bench/index.ts';
import type { HandsOnEntry } from '../../wording/list-entry.ts';
import { outcomeProblem } from '../../wording/outcome-text.ts';
import { TAPPED_TEXT } from '../../wording/tapped-text.ts';
import { workList } from '../../wording/work-list.ts';

/** How long what was tapped last can be taken back with one tap. */
export const UNDO_MS = 60_000;

interface Shown {
	readonly view: BenchView;
	readonly moment: BenchMomentView;
	readonly whose: Whose;
}

/** What stands in the way of a tap: somebody was first. */
export interface ToldAlready {
	readonly act: WorkAct;
	readonly atMs: number;
	readonly by: string;
}

/** The night at the bench: the plan's list, what was tapped, and what is now by both. */
export class BenchModel {
	message = $state('');
	/** Somebody was first with what was tapped here last; null when nobody was. */
	already: ToldAlready | null = $state.raw(null);
	/** Tapped here, and not told by the server yet. */
	#tapped: readonly WorkEntry[] = $state.raw([]);
	/** Taken back here, and not told by the server yet. */
	#struck: readonly string[] = $state.raw([]);

	constructor(
		private readonly shown: () => Shown,
		private readonly now: () => number,
		private readonly by: () => string,
		private readonly outbox: Outbox,
		/** Reads anew what was tapped; tells whether it could. */
		private readonly readMoment: () => Promise<boolean>
	) {}

	readonly list: readonly HandsOnEntry[] = $derived.by(() => {
		const { accepted } = this.shown().view;
		return accepted ? workList(accepted.document.plan, accepted.document.input) : [];
	});
	readonly #byKey: Readonly<Record<string, HandsOnEntry>> = $derived.by(() =>
		Object.fromEntries(this.list.map((entry) => [entry.key, entry]))
	);

	/** Everything that was tapped: what the server told, what waits here, what is on its way. */
	readonly entries: readonly WorkEntry[] = $derived.by(() => {
		const { moment } = this.shown();
		const told = moment.entries.map(({ id }) => id);
		const here = this.#tapped.filter(({ id }) => !told.includes(id));
		const waiting = this.#waiting.filter(
			({ id }) => !told.includes(id) && !here.some((one) => one.id === id)
		);
		return [...moment.entries, ...waiting, ...here].filter(({ id }) => !this.#struck.includes(id));
	});
	/** Where each work stands. */
	readonly states = $derived.by(() => {
		const { view, moment } = this.shown();
		const known = view.accepted
			? alsoKnown(this.list, view.accepted.document.plan, moment.mixed)
			: [];
		return workStates([...this.entries, ...known]);
	});
	readonly expected = $derived.by(() =>
		expectedOf(this.list, this.states, this.now(), this.shown().moment.tappedBefore)
	);
	readonly board = $derived.by(() => boardOf(this.expected, this.shown().whose, this.now()));
	readonly drops = $derived.by(() => {
		const { accepted } = this.shown().view;
		return accepted
			? dropsExpected(accepted.document.input, accepted.document.plan, this.expected)
			: [];
	});

	/**
	 * What was tapped last, while it can be taken back with one tap; null after. Of each work only what stands is
	 * asked: the clocks of two screens differ by a little, and its end can bear an earlier time than its beginning.
	 */
	readonly last: WorkEntry | null = $derived.by(() => {
		const nowMs = this.now();
		const found = [...workStates(this.entries).values()]
			.flatMap((state) => ('entry' in state ? [state.entry] : []))
			.sort((a, b) => b.atMs - a.atMs)[0];
		return found && nowMs - found.atMs <= UNDO_MS && nowMs >= found.atMs ? found : null;
	});

	entryOf({ work }: BoardWork): HandsOnEntry {
		const entry = this.#byKey[work.key];
		if (!entry) throw new Error(`no work is called ${work.key}`);
		return entry;
	}

	/** What a work is called; empty where no plan in force has it. */
	nameOf(key: string): string {
		return this.#byKey[key]?.what ?? '';
	}

	/** Says that something happened, now or at another time; it is seen at once. */
	async tap(
		entry: HandsOnEntry,
		act: WorkAct,
		{
			atMs = Math.round(this.now()),
			untilMs = null,
			because = '',
			celsius = null
		}: {
			readonly atMs?: number;
			readonly untilMs?: number | null;
			readonly because?: string;
			readonly celsius?: number | null;
		} = {}
	): Promise<void> {
		const { view, whose } = this.shown();
		const id = crypto.randomUUID();
		const tapped = { id, work: entry.key, act, atMs, by: this.by(), untilMs, because, celsius };
		this.#tapped = [...this.#tapped, tapped];
		this.message = '';
		this.already = null;
		const result = await this.outbox.send(
			{
				kind: 'tap-work',
				occurredAtMs: atMs,
				date: view.date,
				work: entry.key,
				taskId: entry.taskId,
				act,
				untilMs,
				because,
				celsius,
				personId: whose.kind === 'person' ? whose.personId : null
			},
			`${entry.what}: ${TAPPED_TEXT[act]}`,
			id
		);
		this.message = outcomeProblem(result);
		const taken = result.outcome === 'done' && result.answer.entryId !== null;
		if (result.outcome === 'done') this.already = result.answer.already;
		// What waits here stands among the letters; what was taken stands here until the server tells it.
		const isTold = () => this.shown().moment.entries.some((one) => one.id === id);
		if (!taken || (await readUntilTold(this.readMoment, isTold)))
			this.#tapped = this.#tapped.filter((one) => one.id !== id);
	}

	/** Says of each of these that it was done when it was to be: a crew that had no hand free for the screen. */
	async doneAsPlanned(works: readonly BoardWork[]): Promise<void> {
		const nowMs = Math.round(this.now());
		for (const { work, dueMs } of works) {
			const entry = this.#byKey[work.key];
			const atMs = Math.min(nowMs, dueMs + work.endMs - work.atMs);
			if (entry) await this.tap(entry, 'ended', { atMs });
		}
	}

	/** Says that something tapped did not happen. */
	async takeBack({ id, work }: WorkEntry): Promise<void> {
		this.already = null;
		if (this.outbox.letters.some((letter) => letter.id === id)) {
			this.outbox.discard(id);
			return;
		}
		this.#struck = [...this.#struck, id];
		const result = await this.outbox.send(
			{ kind: 'strike-work', occurredAtMs: Math.round(this.now()), entryId: id },
			`${this.nameOf(work)}: it did not happen`
		);
		this.message = outcomeProblem(result);
		if (result.outcome === 'refused') this.#struck = this.#struck.filter((one) => one !== id);
	}

	/** Taps that wait in this browser, of an earlier page too, or have just been sent. */
	get #waiting(): readonly WorkEntry[] {
		const { date } = this.shown().view;
		return this.outbox.untold.flatMap(({ id, refused, draft, byName }): readonly WorkEntry[] => {
			if (refused !== null || draft.kind !== 'tap-work' || draft.date !== date) return [];
			const { work, act, occurredAtMs, untilMs, because, celsius } = draft as unknown as {
				readonly work: string;
				readonly act: WorkAct;
				readonly occurredAtMs: number;
				readonly untilMs: number | null;
				readonly because: string;
				readonly celsius: number | null;
			};
			return [
				{ id, work, act, atMs: occurredAtMs, by: byName || this.by(), untilMs, because, celsius }
			];
		});
	}
}
