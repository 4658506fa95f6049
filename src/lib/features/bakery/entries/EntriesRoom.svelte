<script lang="ts" generics="K extends EntryKind">
	import { page } from '$app/state';
	import { resolve } from '$app/paths';
	import { useRoom } from '../../../client/room-context.ts';
	import { ENTRY_PATHS } from '../../../contracts/entry-paths.ts';
	import type { EntriesView } from '../../../contracts/bakery-views.ts';
	import type { EntryKind } from '../../../core/bakery/index.ts';
	import type { BakeDate } from '../../../core/time/index.ts';
	import { ENTRY_KIND_TEXT } from '../../../wording/entry-text.ts';
	import { shortDateText } from '../../../wording/time-text.ts';
	import BakeryPage from '../BakeryPage.svelte';
	import ReadCalendar from '../ReadCalendar.svelte';
	import EntryForm from './EntryForm.svelte';
	import EntryHistory from './EntryHistory.svelte';
	import { entriesSentence, entrySummary } from './entry-summary.ts';

	interface Props {
		view: EntriesView<K>;
	}
	let { view }: Props = $props();
	const room = useRoom();
	const words = $derived(ENTRY_KIND_TEXT[view.kind]);
	const path = $derived<string>(ENTRY_PATHS[view.kind]);
	const telling = $derived({ units: room.bakery.units, drops: view.drops });
	const here = $derived(resolve(`/bake/${view.date}/bakery/${path}`));
	const wanted = $derived(page.url.searchParams.get('entry'));
	const chosen = $derived(
		view.entries.find(({ entry }) => entry.id === wanted) ??
			(wanted === null && view.entries.length > 0 ? view.entries[0] : undefined)
	);
	const isNew = $derived(wanted === 'new' || (wanted === null && view.entries.length === 0));
	/** What each kind is for. */
	const WHY: Readonly<Record<EntryKind, string>> = {
		person: 'Who works when, and what each can do.',
		mixer: 'What each takes of a dough: mixes are sized to it.',
		oven: 'Decks and what fits on them: loads are sized to it.',
		place: 'Where ingredients stand and dough waits, and how warm that is.',
		drop: 'When bread has to be where it is wanted: every plan ends there.',
		customer: 'Whose bread goes with which drop.',
		supplier: 'Who brings ingredients, on which days, and when to tell them.',
		'closed-days': 'Days on which nothing is baked.',
		scale: 'What each carries and tells apart: weights are rounded to it.',
		divider: 'What presses pieces, and of which weight.',
		sheeter: 'What rolls sheets, and how wide.',
		vessel: 'How many there are: the plan tells where they run short.',
		bench: 'Where pieces are shaped, and by how many at once.'
	};
	let plansChanged: readonly BakeDate[] = $state([]);
</script>

<BakeryPage
	date={view.date}
	counts={view.counts}
	current={path}
	sentence={entriesSentence(view)}
	note={WHY[view.kind]}
>
	{#snippet actions()}
		<a class="action no-underline!" href="{here}?entry=new">Add {words.a}</a>
	{/snippet}
	{#each plansChanged as date (date)}
		<p class="mb-3" role="alert" data-plan-changed={date}>
			<span class="act-now px-2">Look</span>
			The plan that was accepted for {shortDateText(date)} was made before this change, and stays as it
			was. <a href={resolve(`/bake/${date}/plan`)}>Look at the plan</a>.
		</p>
	{/each}
	<div class="entries">
		<div>
			<ul aria-label={words.many} class="list">
				{#each view.entries as { entry, isToCome } (entry.id)}
					<li>
						<a
							class="entry"
							href="{here}?entry={entry.id}"
							aria-current={chosen?.entry.id === entry.id && !isNew ? 'true' : undefined}
						>
							<b>{entry.name}</b>
							<span class="text-note text-ink-2"
								>{entry.retired
									? 'retired'
									: isToCome
										? `from ${shortDateText(entry.appliesFrom)}`
										: entrySummary(entry, telling)}</span
							>
						</a>
					</li>
				{:else}
					<li class="entry">None yet.</li>
				{/each}
			</ul>
			{#if view.kind === 'closed-days'}<ReadCalendar entries={view.entries} />{/if}
		</div>
		<div class="min-w-0">
			{#key isNew ? 'new' : `${chosen?.entry.id} ${chosen?.lastNumber}`}
				{#if isNew}
					<EntryForm
						{view}
						standing={null}
						onSaved={(dates: readonly BakeDate[]) => (plansChanged = dates)}
					/>
				{:else if chosen}
					<EntryForm
						{view}
						standing={chosen}
						onSaved={(dates: readonly BakeDate[]) => (plansChanged = dates)}
					/>
					<EntryHistory revisions={view.history.filter(({ id }) => id === chosen.entry.id)} />
				{/if}
			{/key}
		</div>
	</div>
</BakeryPage>

<style>
	.entries {
		display: grid;
		grid-template-columns: minmax(200px, 280px) minmax(0, 1fr);
		gap: 16px;
		align-items: start;
	}
	.list {
		background: var(--sheet);
		border: 1px solid var(--line);
	}
	.entry {
		display: grid;
		gap: 2px;
		min-height: 52px;
		padding: 8px 12px;
		border-bottom: 1px solid var(--line);
		text-decoration: none;
	}
	.entry[aria-current] {
		background: var(--ink);
		color: var(--sheet);
	}
	.entry[aria-current] span {
		color: inherit;
	}
	@media (max-width: 900px) {
		.entries {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
