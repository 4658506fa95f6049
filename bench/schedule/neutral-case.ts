import type { Problem, Window } from '../../src/lib/core/schedule/problem.ts';

interface NeutralWindow {
	readonly min: number;
	readonly ideal: number;
	readonly max: number;
	readonly w: number;
}

/** A day in the neutral form of the judge. */
export interface NeutralCase {
	readonly name: string;
	readonly horizon: number;
	readonly mainStart: number;
	readonly bakers: readonly (readonly [number, number, number])[];
	readonly mixers: readonly { readonly minKg: number; readonly maxKg: number }[];
	readonly bench: number;
	readonly proofer: number;
	readonly retarder: number;
	readonly ovens: readonly {
		readonly decks: number;
		readonly deckCap: number;
		readonly shared: boolean;
		readonly recovery: number;
		readonly heat: number;
		readonly cool: number;
		readonly preheat: number;
	}[];
	readonly loadDur: number;
	readonly tempTol: number;
	readonly mixes: readonly {
		readonly id: number;
		readonly kg: number;
		readonly pre: (NeutralWindow & { readonly dur: number }) | null;
		readonly aut: (NeutralWindow & { readonly dur: number }) | null;
		readonly mixDur: number;
		readonly attend: number;
		readonly folds: readonly {
			readonly off: number;
			readonly lo: number;
			readonly hi: number;
			readonly dur: number;
		}[];
		readonly bulk: NeutralWindow;
		readonly lots: readonly number[];
	}[];
	readonly lots: readonly {
		readonly id: number;
		readonly mix: number;
		readonly product: number;
		readonly divDur: number;
		readonly rest: NeutralWindow;
		readonly shapeDur: number;
		readonly modes: readonly (NeutralWindow & {
			readonly kind: 'warm' | 'cold';
			readonly racks: number;
		})[];
		readonly size: number;
		readonly temp: number;
		readonly steam: number;
		readonly bakeDur: number;
		readonly tol: number;
		readonly cool: number;
	}[];
	readonly products: readonly {
		readonly id: number;
		readonly due: number;
		readonly weight: number;
		readonly packDur: number;
		readonly lots: readonly number[];
	}[];
	readonly wts: {
		readonly tard: number;
		readonly fresh: number;
		readonly wake: number;
		readonly oven: number;
	};
}

const TIERS = ['lateness', 'ripeness', 'freshness', 'beginning', 'machines on'];

/** A neutral case as a problem of the engine: the same objective, unit for unit. */
export function problemOf(day: NeutralCase): Problem {
	const windowOf = (window: NeutralWindow, holds: Window['holds'] = []): Window => ({
		least: window.min,
		most: window.max,
		wish: window.ideal,
		price: window.w,
		outside: null,
		tier: 1,
		holds
	});
	const always = (window: Window) => [{ beforeMode: null, afterMode: null, window }];
	const hands = (to: number) => [{ pools: ['hands'], amount: 1, from: 0, to }];
	const bench = (to: number) => ({ pools: ['bench'], amount: 1, from: 0, to });
	const free = { earliest: null, latest: null, pin: null };
	const plain = (id: string, group: string, length: number, attended = length) => ({
		...free,
		id,
		group,
		modes: [{ id: 'only', length, demands: hands(attended), machine: null, batch: null }]
	});
	const onMixer = (id: string, group: string, length: number, attended: number, kg: number) => ({
		...free,
		id,
		group,
		modes: day.mixers.map((_, at) => ({
			id: `mixer ${at}`,
			length,
			demands: hands(attended),
			machine: { id: `mixer ${at}`, size: kg, family: '' },
			batch: null
		}))
	});
	const tasks: Problem['tasks'][number][] = [];
	const lags: Problem['lags'][number][] = [];
	const prices: Problem['prices'][number][] = [];
	for (const mix of day.mixes) {
		const group = `mix ${mix.id}`;
		if (mix.pre) tasks.push(plain(`pre ${mix.id}`, group, mix.pre.dur));
		if (mix.aut) tasks.push(onMixer(`aut ${mix.id}`, group, mix.aut.dur, mix.aut.dur, mix.kg));
		tasks.push(onMixer(`mix ${mix.id}`, group, mix.mixDur, mix.attend, mix.kg));
		const first = mix.aut ? `aut ${mix.id}` : `mix ${mix.id}`;
		const lag = (before: string, after: string, window: Window) =>
			lags.push({
				id: `${before} to ${after}`,
				before,
				after,
				from: 'end',
				windows: always(window)
			});
		if (mix.pre) lag(`pre ${mix.id}`, first, windowOf(mix.pre));
		if (mix.aut) lag(`aut ${mix.id}`, `mix ${mix.id}`, windowOf(mix.aut));
		mix.folds.forEach((fold, at) => {
			tasks.push(plain(`fold ${mix.id}.${at}`, group, fold.dur));
			lag(`mix ${mix.id}`, `fold ${mix.id}.${at}`, {
				...windowOf({ min: fold.off - fold.lo, ideal: 0, max: fold.off + fold.hi, w: 0 }),
				wish: null
			});
		});
		for (const l of mix.lots) {
			const lot = day.lots[l];
			if (!lot) throw new Error(`mix ${mix.id} names lot ${l}`);
			const div = plain(`div ${l}`, group, lot.divDur);
			const shape = plain(`shape ${l}`, group, lot.shapeDur);
			div.modes[0]?.demands.push(bench(lot.divDur));
			shape.modes[0]?.demands.push(bench(lot.shapeDur));
			tasks.push(div, shape, {
				...free,
				id: `bake ${l}`,
				group,
				modes: lot.modes.map((_, at) => ({
					id: `mode ${at}`,
					length: null,
					demands: [],
					machine: null,
					batch: {
						machines: day.ovens.map((_, o) => `oven ${o}`),
						size: lot.size,
						kind: `steam ${lot.steam}`,
						level: lot.temp,
						length: lot.bakeDur,
						lengthTolerance: lot.tol
					}
				}))
			});
			lag(`mix ${mix.id}`, `div ${l}`, windowOf(mix.bulk));
			lag(`div ${l}`, `shape ${l}`, windowOf(lot.rest));
			lags.push({
				id: `shape ${l} to bake ${l}`,
				before: `shape ${l}`,
				after: `bake ${l}`,
				from: 'end',
				windows: lot.modes.map((mode, at) => ({
					beforeMode: null,
					afterMode: `mode ${at}`,
					window: windowOf(mode, [
						{ pool: mode.kind === 'warm' ? 'proofer' : 'retarder', amount: mode.racks }
					])
				}))
			});
			prices.push({
				id: `fresh ${l}`,
				task: `bake ${l}`,
				of: 'start',
				at: day.products[lot.product]?.due ?? 0,
				early: day.wts.fresh,
				late: 0,
				away: 0,
				tier: 2
			});
		}
	}
	for (const product of day.products) {
		tasks.push(plain(`pack ${product.id}`, `product ${product.id}`, product.packDur));
		for (const l of product.lots)
			lags.push({
				id: `bake ${l} to pack ${product.id}`,
				before: `bake ${l}`,
				after: `pack ${product.id}`,
				from: 'end',
				windows: always({
					least: day.lots[l]?.cool ?? 0,
					most: null,
					wish: null,
					price: 0,
					outside: null,
					tier: 1,
					holds: []
				})
			});
		prices.push({
			id: `due ${product.id}`,
			task: `pack ${product.id}`,
			of: 'end',
			at: product.due,
			early: 0,
			late: day.wts.tard * product.weight,
			away: 0,
			tier: 0
		});
	}
	const all = [{ from: 0, to: day.horizon }];
	const pool = (id: string, amount: number) => ({
		id,
		there: all.map((one) => ({ ...one, amount }))
	});
	return {
		horizon: day.horizon,
		tiers: TIERS,
		pools: [
			{ id: 'hands', there: day.bakers.map(([from, to, amount]) => ({ from, to, amount })) },
			pool('bench', day.bench),
			pool('proofer', day.proofer),
			pool('retarder', day.retarder)
		],
		machines: day.mixers.map(({ minKg, maxKg }, at) => ({
			id: `mixer ${at}`,
			least: minKg,
			most: maxKg,
			closed: [],
			changeovers: []
		})),
		batchMachines: day.ovens.map((oven, at) => ({
			id: `oven ${at}`,
			units: Array.from({ length: oven.decks }, (_, deck) => ({
				id: `oven ${at} deck ${deck}`,
				capacity: oven.deckCap
			})),
			shared: oven.shared,
			tolerance: day.tempTol,
			rise: oven.heat,
			fall: oven.cool,
			step: 10,
			recovery: oven.recovery,
			loading: day.loadDur,
			unloading: 0,
			attended: hands(day.loadDur).map((demand) => ({ ...demand, of: 'start' as const })),
			preheat: oven.preheat,
			onPrice: day.wts.oven,
			tier: 4
		})),
		tasks,
		lags,
		prices,
		spans: [
			{
				id: 'beginning',
				tasks: tasks.map((task) => task.id),
				floor: day.mainStart,
				until: day.horizon,
				price: day.wts.wake,
				tier: 3
			}
		]
	};
}
