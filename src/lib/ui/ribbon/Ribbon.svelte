<script lang="ts" module>
	/** One stretch of a ribbon. `held` is a thin band on the main lane; `beside` runs under it. */
	export interface RibbonSegment {
		readonly key: string;
		readonly fromX: number;
		readonly toX: number;
		readonly texture: 'hands' | 'waiting' | 'cold' | 'oven';
		readonly lane: 'main' | 'beside';
		/** What was measured is drawn solid, what is forecast lighter. */
		readonly measured?: boolean;
		/** Temperatures at evenly spread points from start to end. */
		readonly celsius: readonly number[];
	}
	export interface RibbonMark {
		readonly key: string;
		readonly x: number;
		readonly kind: 'early' | 'ripe' | 'late';
	}
</script>

<script lang="ts">
	import { colourOf, onWhite } from './ramp.ts';

	interface Props {
		/** Distinguishes the paint of this ribbon from that of others on the page. */
		id: string;
		segments: readonly RibbonSegment[];
		marks: readonly RibbonMark[];
		pins: readonly number[];
		selected: string | null;
		onSelect?: (key: string) => void;
		/** A hand takes hold of a stretch. */
		onGrab?: (key: string, event: PointerEvent) => void;
	}
	let { id, segments, marks, pins, selected, onSelect, onGrab }: Props = $props();

	const MIDDLE = 17;
	const SHAPES = {
		hands: { half: 12, stroke: 2 },
		waiting: { half: 7, stroke: 1 },
		cold: { half: 7, stroke: 1 },
		oven: { half: 12, stroke: 2 }
	} as const;
	const BESIDE = { top: 27, height: 6 } as const;
	const box = (segment: RibbonSegment) =>
		segment.lane === 'beside'
			? { y: BESIDE.top, height: BESIDE.height, stroke: 1 }
			: {
					y: MIDDLE - SHAPES[segment.texture].half,
					height: 2 * SHAPES[segment.texture].half,
					stroke: SHAPES[segment.texture].stroke
				};
	const width = (segment: RibbonSegment) => Math.max(1.5, segment.toX - segment.fromX);
	/** What is forecast lies lighter on the sheet than what was measured. */
	const FORECAST_STRENGTH = 0.7;
	/** One colour where the temperature stays, so that only what changes needs a gradient. */
	const painted = $derived(
		segments.map((segment) => {
			const colours = segment.celsius.map((celsius) =>
				onWhite(colourOf(celsius), segment.measured ? 1 : FORECAST_STRENGTH)
			);
			const [first = 'none'] = colours;
			return {
				segment,
				colours,
				flat: colours.every((colour) => colour === first) ? first : null,
				overlay:
					segment.texture === 'oven'
						? 'hatch'
						: segment.texture === 'cold' && segment.lane === 'main'
							? 'cold'
							: null
			};
		})
	);
</script>

<defs>
	{#each painted as { segment, colours, flat }, index (segment.key)}
		{#if flat === null}
			<linearGradient id="{id}-{index}">
				{#each colours as colour, at (at)}
					<stop offset={at / Math.max(1, colours.length - 1)} stop-color={colour} />
				{/each}
			</linearGradient>
		{/if}
	{/each}
	<pattern
		id="{id}-hatch"
		width="6"
		height="6"
		patternUnits="userSpaceOnUse"
		patternTransform="rotate(45)"
	>
		<line x1="0" y1="0" x2="0" y2="6" stroke="#14191a" stroke-width="3" />
	</pattern>
	<pattern id="{id}-cold" width="6" height="14" patternUnits="userSpaceOnUse">
		<line x1="3" y1="0" x2="3" y2="14" stroke="#ffffff" stroke-width="1.5" />
	</pattern>
</defs>

{#each painted as { segment, flat, overlay }, index (segment.key)}
	{@const at = box(segment)}
	{@const stroke = selected === segment.key ? at.stroke + 2 : at.stroke}
	<!-- The list beside the ribbons is the way by keyboard. -->
	<!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions -->
	<g
		onpointerdown={onGrab ? (event) => onGrab(segment.key, event) : undefined}
		onclick={onSelect ? () => onSelect(segment.key) : undefined}
		class={onSelect ? 'cursor-pointer' : ''}
		data-segment={segment.key}
	>
		<rect
			x={segment.fromX}
			y={at.y}
			width={width(segment)}
			height={at.height}
			fill={flat ?? `url(#${id}-${index})`}
			stroke="var(--ink)"
			stroke-width={stroke}
		/>
		{#if overlay !== null}
			<rect
				x={segment.fromX}
				y={at.y}
				width={width(segment)}
				height={at.height}
				fill="url(#{id}-{overlay})"
				fill-opacity={overlay === 'hatch' ? 0.75 : 1}
				stroke="var(--ink)"
				stroke-width={stroke}
			/>
		{/if}
		{#if selected === segment.key}
			<rect x={segment.fromX} y="36" width={width(segment)} height="4" fill="var(--ink)" />
		{/if}
	</g>
{/each}

{#each marks as mark (mark.key)}
	{#if mark.kind === 'ripe'}
		<path
			d="M{mark.x - 5} 34 L{mark.x} 26 L{mark.x + 5} 34 Z"
			fill="var(--ink)"
			stroke="var(--sheet)"
			stroke-width="0.7"
		/>
	{:else}
		<path
			d="M{mark.x - 4} 33 L{mark.x} 27 L{mark.x + 4} 33"
			fill="none"
			stroke="var(--ink)"
			stroke-width="1.8"
		/>
	{/if}
{/each}

{#each pins as x, index (index)}
	<line x1={x} x2={x} y1="3" y2="33" stroke="var(--ink)" stroke-width="2.5" />
	<circle cx={x} cy="4" r="4" fill="var(--ink)" />
{/each}
