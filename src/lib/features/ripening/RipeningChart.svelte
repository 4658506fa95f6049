<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { StoryStretch } from '../../core/ripening/index.ts';
	import { temperatureOnPath } from '../../core/fermentation/index.ts';
	import { formatTemperature } from '../../core/units/index.ts';
	import Ribbon from '../../ui/ribbon/Ribbon.svelte';
	import { RIBBON_HEIGHT } from '../../ui/ribbon/ribbon-height.ts';
	import { mixTitle } from '../../wording/mix-title.ts';
	import { clockText } from '../../wording/time-text.ts';
	import type { FollowedDough } from './ripening-model.svelte.ts';

	interface Props {
		doughs: readonly FollowedDough[];
		nowMs: number;
		width: number;
		selected: string | null;
		onSelect: (key: string) => void;
	}
	let { doughs, nowMs, width, selected, onSelect }: Props = $props();
	const room = useRoom();
	const { units, timeZone } = $derived(room.bakery);

	const HOUR_MS = 3_600_000;
	const NAMES = 210;
	const TOP = 30;
	const ROW = RIBBON_HEIGHT + 14;
	const POINTS = 6;
	/** What lies further ahead than this is cut off: the morning is what is asked for. */
	const MOST_AHEAD_MS = 16 * HOUR_MS;

	const range = $derived.by(() => {
		const starts = doughs.map((dough) => dough.story.past[0]?.fromMs ?? nowMs);
		const ends = doughs.map((dough) => dough.card.marks.late ?? dough.card.marks.ripe ?? nowMs);
		const from = Math.floor(Math.min(nowMs, ...starts) / HOUR_MS) * HOUR_MS;
		const to = Math.min(Math.max(nowMs + HOUR_MS, ...ends), nowMs + MOST_AHEAD_MS);
		return { from, to: Math.ceil(to / HOUR_MS) * HOUR_MS };
	});
	const scale = $derived((width - NAMES - 26) / (range.to - range.from));
	const x = $derived((ms: number) => NAMES + (Math.min(ms, range.to) - range.from) * scale);
	const hours = $derived.by(() => {
		const all: number[] = [];
		for (let ms = range.from; ms <= range.to; ms += HOUR_MS) all.push(ms);
		return all;
	});
	const every = $derived(Math.max(1, Math.ceil(44 / (scale * HOUR_MS))));
	const height = $derived(TOP + doughs.length * ROW + 6);

	function segment(one: StoryStretch, index: number, measured: boolean) {
		const { minutes } = one.stretch;
		return {
			key: `${measured ? 'past' : 'ahead'}-${index}`,
			fromX: x(one.fromMs),
			toX: x(one.toMs),
			texture: one.place === 'cold' ? ('cold' as const) : ('waiting' as const),
			lane: 'main' as const,
			measured,
			celsius: Array.from({ length: POINTS }, (_, point) =>
				temperatureOnPath(one.startCelsius, [one.stretch], (minutes * point) / (POINTS - 1))
			)
		};
	}
	const rows = $derived(
		doughs.map((dough) => ({
			dough,
			segments: [
				...dough.story.past.map((part, index) => segment(part, index, true)),
				...dough.card.expected
					.filter((part) => part.fromMs < range.to)
					.map((part, index) => segment(part, index, false))
			].filter((drawn) => drawn.toX > drawn.fromX),
			marks: (['early', 'ripe', 'late'] as const).flatMap((kind) => {
				const ms = dough.card.marks[kind];
				return ms === null || ms > range.to ? [] : [{ key: kind, kind, x: x(ms) }];
			})
		}))
	);
</script>

<svg
	{width}
	{height}
	viewBox="0 0 {width} {height}"
	role="img"
	aria-label="Ribbons of the doughs in their bulk from {clockText(
		range.from,
		timeZone
	)} to {clockText(range.to, timeZone)}; the list says the same in words"
	data-ripening-chart
>
	{#each hours as ms, index (ms)}
		<line x1={x(ms)} x2={x(ms)} y1={TOP - 8} y2={height} stroke="var(--line)" />
		{#if index % every === 0}
			<text x={x(ms)} y={TOP - 12} text-anchor="middle" class="hour">{clockText(ms, timeZone)}</text
			>
		{/if}
	{/each}
	{#each rows as row, index (row.dough.key)}
		<!-- The list beside the ribbons is the way by keyboard. -->
		<!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions -->
		<g
			transform="translate(0 {TOP + index * ROW})"
			class="cursor-pointer"
			onclick={() => onSelect(row.dough.key)}
		>
			{#if selected === row.dough.key}<rect
					x="0"
					y="2"
					width="6"
					height="38"
					fill="var(--ink)"
				/>{/if}
			<text x="14" y="17" class="name">{mixTitle(row.dough.view)}</text>
			<text x="14" y="34" class="note"
				>{formatTemperature({ celsius: row.dough.story.celsius }, 1, units)}, {Math.round(
					(row.dough.card.doseSoFar / row.dough.card.doseRipe) * 100
				)} %</text
			>
			<Ribbon
				id="ripening-{index}"
				segments={row.segments}
				marks={row.marks}
				pins={[]}
				selected={null}
			/>
		</g>
	{/each}
	<line x1={x(nowMs)} x2={x(nowMs)} y1={TOP - 8} y2={height} stroke="var(--ink)" stroke-width="2" />
	<text x={x(nowMs) + 4} y={height - 2} class="note">now</text>
</svg>

<style>
	text {
		fill: var(--ink);
	}
	.hour,
	.note {
		font-size: 13px;
		fill: var(--ink-2);
	}
	.name {
		font-size: 15px;
		font-weight: 700;
	}
</style>
