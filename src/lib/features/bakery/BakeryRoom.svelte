<script lang="ts">
	import type { BackupSeen, BakeryRoomView } from '../../contracts/bakery-views.ts';
	import { mayRole } from '../../contracts/rights.ts';
	import { nextStep } from '../../core/bakery/index.ts';
	import { useRoom } from '../../client/room-context.ts';
	import Backups from './Backups.svelte';
	import BakeryPage from './BakeryPage.svelte';
	import BakerySettings from './BakerySettings.svelte';
	import FirstSteps from './FirstSteps.svelte';
	import TakeAlong from './TakeAlong.svelte';
	import UnitSettings from './UnitSettings.svelte';

	interface Props {
		view: BakeryRoomView;
		/** Of the backups that are taken by themselves; null where none are, as in the demo. */
		backup: BackupSeen | null;
	}
	let { view, backup }: Props = $props();
	const room = useRoom();
	const next = $derived(nextStep(view.steps));
	const left = $derived(view.steps.filter((step) => !step.isDone && !step.canWait).length);
	const sentence = $derived(
		next === null
			? `${room.bakery.name} has all that a plan needs.`
			: `${left === 1 ? 'One step is' : `${left} steps are`} left to the first plan.`
	);
</script>

<BakeryPage
	date={view.date}
	counts={view.counts}
	current=""
	{sentence}
	note="All that a plan or a figure depends on is entered here."
>
	<div class="columns">
		<FirstSteps date={view.date} steps={view.steps} />
		<div class="grid gap-4">
			<BakerySettings settings={view.settings} />
			<UnitSettings />
			{#if backup}<Backups seen={backup} />{/if}
			{#if mayRole(room.bakery.actor.role, 'keep-the-house')}<TakeAlong date={view.date} />{/if}
		</div>
	</div>
</BakeryPage>

<style>
	.columns {
		display: grid;
		grid-template-columns: minmax(0, 3fr) minmax(300px, 2fr);
		gap: 16px;
		align-items: start;
	}
	@media (max-width: 1100px) {
		.columns {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
