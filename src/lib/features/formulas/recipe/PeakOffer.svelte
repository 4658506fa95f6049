<script lang="ts">
	import { useRoom } from '../../../client/room-context.ts';
	import { peakAfterFeed, type FedBuild } from '../../../core/fermentation/index.ts';
	import {
		buildFiguresOf,
		flourOf,
		type ResolvedStage,
		type RipenessClock,
		type Step
	} from '../../../core/formula/index.ts';
	import { liftOf } from '../../../core/ripening/index.ts';
	import { formatMinutes, formatNumber, formatTemperature } from '../../../core/units/index.ts';

	interface Props {
		/** As the revision that stands is fed, and the times it ripens in; null for a new one. */
		before: ResolvedStage | null;
		stepsBefore: readonly Step[];
		now: ResolvedStage;
		steps: readonly Step[];
		onSet: (steps: Step[]) => void;
	}
	let { before, stepsBefore, now, steps, onSet }: Props = $props();
	const { units } = useRoom().bakery;

	const clockOf = (steps: readonly Step[]): RipenessClock | null =>
		steps.flatMap((step) => (step.kind === 'wait' && step.clock ? [step.clock] : []))[0] ?? null;
	function fed(stage: ResolvedStage): FedBuild | null {
		const { inoculation, hydration } = buildFiguresOf(stage);
		const flour = flourOf(stage);
		if (inoculation <= 0 || flour <= 0) return null;
		const salt = stage.lines.reduce(
			(total, line) => total + (line.ingredient.kind === 'salt' ? line.percentOfFlour : 0),
			0
		);
		return {
			growth: 100 / inoculation,
			hydrationPercent: hydration,
			saltPercent: (salt / flour) * 100
		};
	}
	const offer = $derived.by(() => {
		const [known, clock] = [before && fed(before), clockOf(stepsBefore)];
		const [build, standing] = [fed(now), clockOf(steps)];
		if (!known || !clock || !build || !standing) return null;
		// Times that were set since are the baker's.
		if (JSON.stringify(standing) !== JSON.stringify(clock)) return null;
		const { referenceCelsius, ripeMinutes } = clock;
		const minutes = peakAfterFeed(
			liftOf(clock),
			{ build: known, celsius: referenceCelsius, minutes: ripeMinutes },
			build,
			referenceCelsius
		);
		if (minutes === null || Math.abs(minutes - ripeMinutes) < 0.03 * ripeMinutes) return null;
		return { build, clock, rounded: Math.max(5, Math.round(minutes / 5) * 5) };
	});

	function take() {
		if (!offer) return;
		const { clock, rounded } = offer;
		const times = (minutes: number) => Math.round((minutes * rounded) / clock.ripeMinutes);
		let done = false;
		onSet(
			steps.map((step) => {
				if (done || step.kind !== 'wait' || !step.clock) return step;
				done = true;
				return {
					...step,
					clock: {
						...step.clock,
						underMinutes: times(clock.underMinutes),
						ripeMinutes: rounded,
						overMinutes: times(clock.overMinutes)
					}
				};
			})
		);
	}
</script>

{#if offer}
	<p class="mt-3 border-2 border-ink bg-sheet p-4" data-peak-offer>
		<b
			>It is fed otherwise: its seed is now {formatNumber(100 / offer.build.growth, 1)} % of its flour,
			at {formatNumber(offer.build.hydrationPercent, 0)} % water.</b
		>
		By the growth it has to make it would be ripe after about {formatMinutes(offer.rounded)} instead of
		{formatMinutes(offer.clock.ripeMinutes)} at
		{formatTemperature({ celsius: offer.clock.referenceCelsius }, 0, units)}. Go by how it looks.
		<button class="action-lesser ml-2" onclick={take}
			>Ripe after {formatMinutes(offer.rounded)}</button
		>
	</p>
{/if}
