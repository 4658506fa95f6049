<script lang="ts">
	import { resolve } from '$app/paths';
	import { useRoom } from '../../client/room-context.ts';
	import type { MorningView } from '../../contracts/morning-views.ts';
	import {
		alsoKnown,
		dropsExpected,
		expectedOf,
		nightLog,
		workStates
	} from '../../core/bench/index.ts';
	import { batchKey } from '../../core/planning/index.ts';
	import { countedOf, evidenceOf, shortsOf } from '../../core/results/index.ts';
	import { causesOf } from '../../core/tracing/index.ts';
	import { formatMass } from '../../core/units/index.ts';
	import RoomHeading from '../../ui/RoomHeading.svelte';
	import { CAUSE_TEXT, faultSentence } from '../../wording/cause-text.ts';
	import { changeText, learnedText, lossText } from '../../wording/learned-text.ts';
	import {
		breadLine,
		doughsLine,
		dropsLine,
		nextLine,
		timesLine
	} from '../../wording/morning-text.ts';
	import { FAULT_TEXT } from '../../wording/result-text.ts';
	import { dateText, shortDateText } from '../../wording/time-text.ts';
	import { workList } from '../../wording/work-list.ts';

	interface Props {
		view: MorningView;
	}
	let { view }: Props = $props();
	const room = useRoom();
	const { units } = $derived(room.bakery);
	const document = $derived(view.night.accepted?.document ?? null);
	const list = $derived(document ? workList(document.plan, document.input) : []);
	const entries = $derived([
		...view.night.entries.filter(({ struck }) => struck === null),
		...(document ? alsoKnown(list, document.plan, view.night.mixed) : [])
	]);
	const states = $derived(workStates(entries));
	const log = $derived(nightLog(list, entries, room.now.epochMs));
	const drops = $derived(
		document
			? dropsExpected(
					document.input,
					document.plan,
					expectedOf(list, states, room.now.epochMs, true)
				)
			: []
	);
	const { results, facts } = $derived(view.night);
	const acceptedAtMs = $derived(view.night.accepted?.acceptedAtMs ?? 0);
	const counted = $derived(document ? countedOf(document.input, results, acceptedAtMs) : []);
	const shorts = $derived(document ? shortsOf(document.input, counted, results, acceptedAtMs) : []);
	const faults = $derived.by(() => {
		if (!document) return [];
		const told = results.flatMap(({ told: one, portion }) =>
			one.kind === 'fault' ? [{ fault: one.fault, portion }] : []
		);
		const seen = new Map(
			told.map((one) => [`${batchKey({ kind: 'portion', ...one.portion })} ${one.fault}`, one])
		);
		return [...seen.values()].map(({ fault, portion }) => {
			const evidence = evidenceOf(
				portion,
				document.plan,
				states,
				facts.find(({ mix }) => mix === batchKey({ kind: 'mix', ...portion })) ?? null,
				results
			);
			const causes = causesOf(fault, evidence);
			const product =
				document.input.products.find(({ id }) => id === portion.productId)?.name ?? '';
			const next = causes[0]?.isShown ? ` ${CAUSE_TEXT[causes[0].cause].next}` : '';
			return `${product}: ${faultSentence(FAULT_TEXT[fault], causes, evidence, units)}${next}`;
		});
	});
	const date = $derived(view.date);
	const lines = $derived([
		{
			name: 'Drops',
			text: dropsLine(drops, log, room.now.epochMs),
			href: resolve(`/bake/${date}/log`),
			to: 'Log'
		},
		{
			name: 'Bread',
			text: breadLine(counted, shorts, faults),
			href: resolve(`/bake/${date}/log`),
			to: 'What came out'
		},
		{
			name: 'Doughs',
			text: doughsLine(view.misses, units),
			href: resolve(`/bake/${date}/learned`),
			to: 'Learned'
		},
		{ name: 'Times', text: timesLine(view), href: null, to: '' },
		{
			name: 'Tonight',
			text: nextLine(view),
			href: resolve(`/bake/${view.next.date}/plan`),
			to: 'Plan'
		}
	]);
	const paced = $derived(view.paces.filter(({ used }) => used > 0));
</script>

<RoomHeading
	sentence="What the night of {shortDateText(date)} taught, and what it changes."
	note="{dateText(date)}. Only what was tapped, measured, counted and weighed can teach."
>
	{#snippet actions()}
		<button class="action-lesser" onclick={() => window.print()}>Print on A4</button>
	{/snippet}
</RoomHeading>

<dl class="lines" data-morning>
	{#each lines as { name, text, href, to } (name)}
		<div data-morning-line={name}>
			<dt>{name}</dt>
			<dd>
				{text}
				<!-- eslint-disable-next-line svelte/no-navigation-without-resolve -- resolved above -->
				{#if href}<a {href}>{to}</a>{/if}
			</dd>
		</div>
	{/each}
</dl>

{#if view.next.learned.length > 0 || view.next.changes.length > 0}
	<section class="more" aria-label="What the next plan takes">
		<h2>In the plan of {shortDateText(view.next.date)}</h2>
		<ul>
			{#each view.next.changes as change (changeText(change))}
				<li data-changed><b>{changeText(change)}</b></li>
			{/each}
			{#each view.next.learned.filter((one) => !view.next.changes.some(({ now }) => now === one)) as one (learnedText(one))}
				<li>{learnedText(one)}, as before</li>
			{/each}
		</ul>
	</section>
{/if}
{#if paced.length > 0}
	<section class="more" aria-label="Paces">
		<h2>How long hands take</h2>
		<ul>
			{#each paced as { name, setPercent, learnedPercent, used } (name)}
				<li data-pace={name}>
					{name}: {learnedPercent} % of the book's minutes, from {used === 1
						? 'one time'
						: `${used} times`}; set to {setPercent} %
					{#if Math.abs(learnedPercent - setPercent) >= 10}<a
							href={resolve(`/bake/${date}/bakery/people`)}>set it</a
						>{/if}
				</li>
			{/each}
		</ul>
	</section>
{/if}
{#if view.losses.length > 0}
	<section class="more" aria-label="Bake losses">
		<h2>What bread loses in the oven</h2>
		<ul>
			{#each view.losses as loss (loss.productId)}
				<li data-loss={loss.name}>
					{loss.name}: {lossText(loss.learnedShare)}, from {loss.used === 1
						? 'one weighing'
						: `${loss.used} weighings`}; its book says {lossText(
						loss.bookShare
					)}{#if loss.scaledGrams && Math.abs(loss.scaledGrams.wanted - loss.scaledGrams.now) >= 2}.
						To weigh what is wanted it would be scaled at {formatMass(
							{ grams: loss.scaledGrams.wanted },
							0,
							units
						)}, not {formatMass({ grams: loss.scaledGrams.now }, 0, units)}:
						<a href={resolve(`/bake/${date}/products/${loss.productId}`)}>its product</a>{/if}
				</li>
			{/each}
		</ul>
	</section>
{/if}

<style>
	.lines {
		margin: 0 20px 20px;
		border: 2px solid var(--ink);
		background: var(--sheet);
	}
	.lines > div {
		display: grid;
		grid-template-columns: 110px minmax(0, 1fr);
		gap: 4px 16px;
		padding: 12px 16px;
		border-bottom: 1px solid var(--line);
		font-size: 19px;
	}
	.lines > div:last-child {
		border-bottom: 0;
	}
	dt {
		font-weight: 700;
	}
	.more {
		padding: 0 20px 16px;
	}
	li {
		padding: 4px 0;
	}
	@media (max-width: 700px) {
		.lines > div {
			grid-template-columns: 1fr;
		}
	}
	@media print {
		.lines {
			margin: 0 0 4mm;
		}
		.more {
			padding: 0 0 3mm;
		}
	}
</style>
