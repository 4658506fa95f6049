<script lang="ts">
	import { resolve } from '$app/paths';
	import { useRoom } from '../../client/room-context.ts';
	import { buildFiguresOf, hasOwnFlour, isPerishable } from '../../core/formula/index.ts';
	import { bathUseText } from '../../wording/bath-text.ts';
	import { capital } from '../../wording/capital.ts';
	import {
		CAUSTIC_CAUTION,
		PERISHABLE_CAUTION,
		PREPARATION_KIND_TEXT
	} from '../../wording/kind-text.ts';
	import type { BuildBatchesView } from '../../contracts/dough-views.ts';
	import { goesOf, type Build } from '../../core/production/index.ts';
	import type { BakeDate } from '../../core/time/index.ts';
	import { formatMass, formatNumber } from '../../core/units/index.ts';
	import BatchesOfBuild from './BatchesOfBuild.svelte';
	import WeighUpTable from '../../sheets/WeighUpTable.svelte';

	interface Props {
		build: Build;
		date: BakeDate;
		/** The most that a mixer takes. */
		mixerMostGrams: number;
		users: readonly string[];
		/** How far those lie apart that take it; null where one takes it, or it is a further one. */
		shared: BuildBatchesView | null;
	}
	let { build, date, mixerMostGrams, users, shared }: Props = $props();
	const room = useRoom();
	const { units } = room.bakery;

	const figures = $derived(buildFiguresOf(build.stage));
	const name = $derived(
		build.ordinal > 1 ? `${build.preparation.name}, ${build.ordinal}` : build.preparation.name
	);
	const gross = $derived(formatMass({ grams: build.gross.value }, 0, units));
	const ratio = $derived(
		figures.seedRatio
			? `1 : ${formatNumber(figures.seedRatio.flour, 1)} : ${formatNumber(figures.seedRatio.water, 1)}`
			: null
	);
	const buildText = $derived(
		`${formatNumber(figures.hydration, 0)} % water` +
			(ratio ? ` · seed ${ratio} · inoculation ${formatNumber(figures.inoculation, 1)} %` : '')
	);
	/** A dough that others take is mixed whole, in several goes where no mixer takes it. */
	const goes = $derived(
		build.preparation.kind === 'dough' ? goesOf(build.gross.value, mixerMostGrams) : 1
	);
	const takeBack = $derived(build.takeBack.grams);
</script>

<article class="border border-line bg-sheet p-4">
	<header class="flex items-baseline justify-between gap-3">
		<h3 class="text-lead">{name}</h3>
		<button
			class="cursor-pointer text-lead font-bold underline decoration-dotted underline-offset-4"
			onclick={() => room.explain(build.gross, `${name}, ${gross} to make`)}
			aria-label="{name} {gross} to make, open the arithmetic"
		>
			{gross}
		</button>
	</header>
	<p class="mb-2 text-note text-ink-2">
		{#if build.made}<b class="text-ink">begun</b> ·{/if}
		for {users.join(', ')}
		· {hasOwnFlour(build.preparation.kind)
			? build.preparation.kind === 'dough'
				? `${PREPARATION_KIND_TEXT.dough}, ${buildText}`
				: buildText
			: PREPARATION_KIND_TEXT[build.preparation.kind]}
	</p>
	<p class="mb-2">
		<a
			class="action-lesser no-underline!"
			aria-label="Weigh up {name}"
			href={resolve(
				`/bake/${date}/doughs/weigh/preparation/${build.preparation.id}/${build.ordinal}`
			)}>Weigh up</a
		>
	</p>
	{#if shared}<BatchesOfBuild {shared} {name} {date} />{/if}
	<WeighUpTable
		lines={build.lines}
		base={hasOwnFlour(build.preparation.kind) ? 'its flour' : 'all of it'}
		caption="Weigh-up of {name}"
	/>
	{#if goes > 1}
		<p class="mt-2 font-bold" data-goes>
			More than a mixer takes, {formatMass({ grams: mixerMostGrams }, 0, units)}: mix it in {goes} goes.
		</p>
	{/if}
	{#if takeBack > 0}
		<p class="mt-2 text-note">
			Keep back {formatMass({ grams: takeBack }, 0, units)} for the next feed before mixing. Close the
			jar loosely: live culture can burst a closed one.
		</p>
	{/if}
	{#if build.preparation.kind === 'build' && isPerishable(build.stage)}
		<p class="mt-2 font-bold" data-perishable>{PERISHABLE_CAUTION}</p>
	{/if}
	{#if build.stage.lines.some((line) => line.ingredient.kind === 'caustic')}
		<p class="mt-2 font-bold">{CAUSTIC_CAUTION}</p>
	{/if}
	{#if bathUseText(build.preparation.bath) !== ''}
		<p class="mt-2" data-bath-use>{capital(bathUseText(build.preparation.bath))}.</p>
	{/if}
</article>
