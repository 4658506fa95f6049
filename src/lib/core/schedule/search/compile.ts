import {
	leavesOf,
	type Mode,
	type Portion,
	type Task,
	type BatchMachine,
	type Demand,
	type Problem,
	type Window
} from '../problem.ts';
import type {
	Compiled,
	CompiledBatchMachine,
	CompiledDemand,
	CompiledEdge,
	CompiledMode,
	CompiledPrice,
	CompiledSpan,
	CompiledWindow,
	Piece
} from './compiled.ts';
import { componentsOf } from './components.ts';
import { compiledPrice } from './prices.ts';
import { rangeOf } from './setup.ts';
import { listOf, numbersOf } from './lists.ts';
import { tightenDomains } from './domains.ts';

function indexOf(items: readonly { readonly id: string }[]): Map<string, number> {
	return new Map(items.map((item, at) => [item.id, at]));
}

function found(index: Map<string, number>, id: string): number {
	const at = index.get(id);
	if (at === undefined) throw new Error(`the problem names ${id}, which it does not have`);
	return at;
}

function piecesOf(window: Window, horizon: number): Piece[] {
	const most = window.most ?? horizon;
	const wish = window.wish ?? window.least;
	const price = window.wish === null ? 0 : window.price;
	const pieces: Piece[] = [];
	if (window.outside !== null) {
		if (!window.firmLeast)
			pieces.push({
				least: -horizon,
				most: window.least - 1,
				base: price * (wish - window.least) + window.outside * window.least,
				slope: -window.outside
			});
		if (window.most !== null)
			pieces.push({
				least: most + 1,
				most: horizon,
				base: price * (most - wish) - window.outside * most,
				slope: window.outside
			});
	}
	if (price === 0) return [...pieces, { least: window.least, most, base: 0, slope: 0 }];
	if (wish > window.least)
		pieces.push({ least: window.least, most: wish, base: price * wish, slope: -price });
	if (most >= wish) pieces.push({ least: wish, most, base: -price * wish, slope: price });
	return pieces;
}

/** The pools that have, whenever they are there, more than all tasks together could ever take. */
function plentyOf({ pools, tasks, batchMachines, lags }: Problem): ReadonlySet<string> {
	const wanted = new Map<string, number>();
	const want = (pool: string, amount: number) => wanted.set(pool, (wanted.get(pool) ?? 0) + amount);
	for (const { modes } of tasks)
		for (const { demands } of modes)
			for (const demand of demands) for (const pool of demand.pools) want(pool, demand.amount);
	// Every portion may be a load of its own.
	const portions = tasks.filter(({ modes }) => modes.some(({ batch }) => batch !== null)).length;
	for (const { attended } of batchMachines)
		for (const demand of attended)
			for (const pool of demand.pools) want(pool, demand.amount * portions);
	for (const { windows } of lags)
		for (const { window } of windows)
			for (const { pool, amount } of window?.holds ?? []) want(pool, amount);
	return new Set(
		pools
			.filter(({ id, there }) => there.every(({ amount }) => amount >= (wanted.get(id) ?? 0)))
			.map(({ id }) => id)
	);
}

/** Written out, so that whatever the problem was read from, what is asked of a machine at every start is found at once. */
function plainMachine(machine: BatchMachine): BatchMachine {
	const { id, units, shared, tolerance, rise, fall, step, recovery } = machine;
	const { loading, unloading, attended, preheat, onPrice, tier, taken = [] } = machine;
	return {
		id,
		units,
		shared,
		tolerance,
		rise,
		fall,
		step,
		recovery,
		loading,
		unloading,
		attended,
		preheat,
		onPrice,
		tier,
		taken
	};
}

/** Whether a way to do a task is, for its batch machine, the same as the first one. */
function isLikeFirst({ modes }: Task, mode: Mode): boolean {
	const first = modes[0];
	if (!first || first === mode || !first.batch || !mode.batch) return false;
	if (first.demands.length + mode.demands.length > 0 || first.machine || mode.machine) return false;
	if ((first.price?.amount ?? 0) !== (mode.price?.amount ?? 0)) return false;
	return JSON.stringify(first.batch) === JSON.stringify(mode.batch);
}

/**
 * Turns names into indices, works out which tasks move together, and narrows when each can start.
 *
 * Range: a problem whose names are known (`faultOf` looks first). Source: definitions in `problem.ts`.
 * Failures: throws where the problem names what it does not have, which `faultOf` would have told.
 */
export function compile(problem: Problem): Compiled {
	const { horizon } = problem;
	const poolIndex = indexOf([...problem.pools, ...problem.machines]);
	const there: Int16Array[] = problem.pools.map((pool) => {
		const amount = new Int16Array(horizon);
		for (const stretch of pool.there)
			for (let t = Math.max(0, stretch.from); t < Math.min(horizon, stretch.to); t += 1)
				amount[t] = (amount[t] ?? 0) + stretch.amount;
		return amount;
	});
	for (const machine of problem.machines) {
		const amount = new Int16Array(horizon).fill(1);
		for (const { from, to } of machine.closed)
			amount.fill(0, Math.max(0, from), Math.max(0, Math.min(horizon, to)));
		there.push(amount);
	}
	const views: { pool: number; amount: number }[] = [];
	const viewIndex = new Map<number, number>();
	const viewOf = (pool: number, amount: number) => {
		const key = pool * 100_000 + amount;
		const known = viewIndex.get(key);
		if (known !== undefined) return known;
		viewIndex.set(key, views.length);
		views.push({ pool, amount });
		return views.length - 1;
	};
	const plenty = plentyOf(problem);
	// What is alike is one object: hundreds of them are read at every turn, and should lie near each other.
	const demandsSeen = new Map<string, CompiledDemand>();
	const demandOf = (demand: Demand): CompiledDemand => {
		const pools = numbersOf(demand.pools.map((id) => found(poolIndex, id)));
		const key = [demand.from, demand.to, demand.amount, ...pools].join(' ');
		const known = demandsSeen.get(key);
		if (known) return known;
		const only = pools[0];
		const made: CompiledDemand = {
			from: demand.from,
			to: demand.to,
			amount: demand.amount,
			pools,
			view: pools.length === 1 && only !== undefined ? viewOf(only, demand.amount) : -1,
			plenty: demand.pools.length === 1 && plenty.has(demand.pools[0] ?? ''),
			choice: listOf(
				pools.length === 1
					? []
					: pools.map((pool) =>
							numbersOf(Array.from({ length: demand.amount }, (_, at) => viewOf(pool, at + 1)))
						)
			)
		};
		demandsSeen.set(key, made);
		return made;
	};

	const batchIndex = indexOf(problem.batchMachines);
	const unitMachine: number[] = [];
	const unitCapacity: number[] = [];
	const unitRecovery: number[] = [];
	const unitIndex = new Map<string, number>();
	const batches = problem.batchMachines.map((machine, at): CompiledBatchMachine => {
		const firstUnit = unitMachine.length;
		for (const unit of machine.units) {
			unitIndex.set(unit.id, unitMachine.length);
			unitMachine.push(at);
			unitCapacity.push(unit.capacity);
			unitRecovery.push(Math.max(machine.recovery, unit.recovery ?? 0));
		}
		const attended = machine.attended.map((demand) => ({
			demand: demandOf(demand),
			ofEnd: demand.of === 'end'
		}));
		return {
			machine: plainMachine(machine),
			firstUnit,
			units: machine.units.length,
			attended: listOf(attended),
			choosable: attended.some(({ demand }) => demand.view < 0)
		};
	});
	const batch = listOf(batches);

	const machineIndex = indexOf(problem.machines);
	const changing = problem.machines.map((machine) => {
		const table = new Map(
			machine.changeovers.map(({ before, after, length }) => [`${before}\n${after}`, length])
		);
		return {
			between: (before: string, after: string) => table.get(`${before}\n${after}`) ?? 0
		};
	});
	const kinds = new Map<string, number>();
	const kindOf = (kind: string) => {
		if (!kinds.has(kind)) kinds.set(kind, kinds.size);
		return kinds.get(kind) ?? 0;
	};

	const taskIndex = indexOf(problem.tasks);
	const firstMode = new Int32Array(problem.tasks.length + 1);
	const modes: CompiledMode[] = [];
	const smallest = Math.min(
		...batch.flatMap(({ machine }) => machine.units.map(({ capacity }) => capacity))
	);
	const sorts = new Map<string, number>();
	const sortOf = (portion: Portion): number => {
		const { level, length, size, notOn = [] } = portion;
		const key = JSON.stringify([
			level,
			leavesOf(portion),
			length,
			size > smallest ? size : 0,
			notOn
		]);
		const known = sorts.get(key) ?? sorts.size;
		sorts.set(key, known);
		return known;
	};
	const earliest = new Int32Array(problem.tasks.length);
	const latest = new Int32Array(problem.tasks.length);
	const pinned = new Uint8Array(problem.tasks.length);
	const pinnedUnit = new Int32Array(problem.tasks.length).fill(-1);
	problem.tasks.forEach((task, u) => {
		firstMode[u] = modes.length;
		const pin = task.pin;
		for (const mode of task.modes) {
			const machines = numbersOf((mode.batch?.machines ?? []).map((id) => found(batchIndex, id)));
			const first = batch[machines[0] ?? -1]?.machine;
			const on = mode.machine ? problem.machines[found(machineIndex, mode.machine.id)] : null;
			const length = mode.batch
				? mode.batch.length + (first?.loading ?? 0) + (first?.unloading ?? 0)
				: (mode.length ?? 0);
			const demands = listOf(mode.demands.map(demandOf));
			if (on) demands.push(demandOf({ pools: [on.id], amount: 1, from: 0, to: length }));
			modes.push({
				task: u,
				length,
				demands,
				machine: on && on.changeovers.length > 0 ? found(machineIndex, on.id) : -1,
				family: mode.machine?.family ?? '',
				portion: mode.batch
					? {
							machines,
							notOn: mode.batch.notOn?.length
								? new Set(mode.batch.notOn.map((id) => found(unitIndex, id)))
								: null,
							size: mode.batch.size,
							kind: kindOf(mode.batch.kind),
							level: mode.batch.level,
							leaves: leavesOf(mode.batch),
							range: rangeOf({ level: mode.batch.level, leaves: leavesOf(mode.batch) }),
							length: mode.batch.length,
							tolerance: mode.batch.lengthTolerance,
							sort: sortOf(mode.batch)
						}
					: null,
				allowed:
					(pin?.mode ?? mode.id) === mode.id &&
					(!on || !mode.machine || (mode.machine.size >= on.least && mode.machine.size <= on.most)),
				price: mode.price?.amount ?? 0,
				likeFirst: isLikeFirst(task, mode)
			});
		}
		earliest[u] = Math.max(0, task.earliest ?? 0, pin?.start ?? 0);
		latest[u] = Math.min(horizon, task.latest ?? horizon, pin?.start ?? horizon);
		pinned[u] = pin?.start === undefined || pin.start === null ? 0 : 1;
		if (pin?.unit) pinnedUnit[u] = found(unitIndex, pin.unit);
	});
	firstMode[problem.tasks.length] = modes.length;

	const windowsSeen = new Map<string, CompiledWindow>();
	const windowOf = (window: Window): CompiledWindow => {
		const { least, wish, price, outside, firmLeast, tier } = window;
		const holds = window.holds.map(({ pool, amount }) => ({
			pool: found(poolIndex, pool),
			amount
		}));
		const key = [least, window.most, wish, price, outside, firmLeast, tier]
			.concat(holds.flatMap(({ pool, amount }) => [pool, amount]))
			.join(' ');
		const known = windowsSeen.get(key);
		if (known) return known;
		const most = window.most ?? horizon;
		const made: CompiledWindow = {
			least: window.least,
			most,
			hardLeast: window.outside === null || window.firmLeast ? window.least : -horizon,
			hardMost: window.outside === null ? most : horizon,
			wish: window.wish ?? window.least,
			price: window.wish === null ? 0 : window.price,
			outside: window.outside ?? -1,
			tier: window.tier,
			pieces: listOf(piecesOf(window, horizon)),
			holds: listOf(holds.map(({ pool, amount }) => ({ pool, amount, view: viewOf(pool, amount) })))
		};
		windowsSeen.set(key, made);
		return made;
	};
	const lags = problem.lags.map((lag): CompiledEdge => {
		const before = found(taskIndex, lag.before);
		const after = found(taskIndex, lag.after);
		const beforeModes = problem.tasks[before]?.modes ?? [];
		const afterModes = problem.tasks[after]?.modes ?? [];
		const table = beforeModes.flatMap((one) =>
			afterModes.map((other) => {
				const fitting = lag.windows.find(
					(choice) =>
						(choice.beforeMode ?? one.id) === one.id && (choice.afterMode ?? other.id) === other.id
				);
				return fitting?.window ? windowOf(fitting.window) : null;
			})
		);
		const given = table.filter((window) => window !== null);
		return {
			before,
			after,
			fromStart: lag.from === 'start',
			table: listOf(table),
			afterModes: afterModes.length,
			sameForBefore: table.every((window, at) => window === table[at % afterModes.length]),
			sameForAfter: table.every((window, at) => window === table[at - (at % afterModes.length)]),
			tight: lag.windows.every(({ window }) => window?.most !== null),
			leastOfAll: Math.min(horizon, ...given.map((window) => window.hardLeast)),
			mostOfAll: Math.max(-horizon, ...given.map((window) => window.hardMost))
		};
	});
	const edges = listOf(lags);
	const out: number[][] = problem.tasks.map(() => []);
	const into: number[][] = problem.tasks.map(() => []);
	edges.forEach((edge, at) => {
		out[edge.before]?.push(at);
		into[edge.after]?.push(at);
	});

	const prices: CompiledPrice[][] = problem.tasks.map(() => []);
	for (const price of problem.prices)
		prices[found(taskIndex, price.task)]?.push(compiledPrice(price));
	const spansOf: number[][] = problem.tasks.map(() => []);
	const spans = problem.spans.map((span, at): CompiledSpan => {
		const tasks = numbersOf(span.tasks.map((id) => found(taskIndex, id)));
		for (const u of tasks) spansOf[u]?.push(at);
		const { floor, until, price, tier } = span;
		return { tasks, floor: floor ?? -horizon, until, price, tier };
	});

	tightenDomains(edges, modes, firstMode, earliest, latest);
	return {
		problem,
		horizon,
		tasks: problem.tasks.length,
		firstMode,
		modes,
		earliest,
		latest,
		pinnedUnit,
		pinned,
		edges,
		out,
		into,
		prices,
		spans: listOf(spans),
		spansOf,
		there,
		views,
		changing: listOf(changing),
		batch,
		unitMachine: Int32Array.from(unitMachine),
		unitCapacity: Int32Array.from(unitCapacity),
		unitRecovery: Int32Array.from(unitRecovery),
		components: componentsOf(problem.tasks.length, edges, out, into, pinned)
	};
}
