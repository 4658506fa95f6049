<script lang="ts" generics="K extends EntryKind">
	import { onMount, untrack } from 'svelte';
	import { goto } from '$app/navigation';
	import { resolve } from '$app/paths';
	import { readAnew } from '../../../client/read-anew.ts';
	import { useRoom } from '../../../client/room-context.ts';
	import type { Draft as DraftOf } from '../../../client/send-command.ts';
	import { followUndoKeys } from '../../../client/undo-keys.ts';
	import { ENTRY_PATHS } from '../../../contracts/entry-paths.ts';
	import type { EntriesView } from '../../../contracts/bakery-views.ts';
	import {
		entryProblems,
		type EntryContents,
		type EntryKind,
		type StandingEntry
	} from '../../../core/bakery/index.ts';
	import type { BakeDate } from '../../../core/time/index.ts';
	import { Edited } from '../../../fields/edited.ts';
	import TextField from '../../../fields/TextField.svelte';
	import { ENTRY_KIND_TEXT, entryProblemText } from '../../../wording/entry-text.ts';
	import { shortDateText } from '../../../wording/time-text.ts';
	import EntryFields from './EntryFields.svelte';
	import { firstContent } from './first-contents.ts';

	interface Props {
		view: EntriesView<K>;
		/** null for a new one. */
		standing: StandingEntry<K> | null;
		/** Told which accepted plans the save changed. */
		onSaved: (plansChanged: readonly BakeDate[]) => void;
	}
	let { view, standing, onSaved }: Props = $props();
	const room = useRoom();
	const words = $derived(ENTRY_KIND_TEXT[view.kind]);
	const path = $derived<string>(ENTRY_PATHS[view.kind]);
	/** One identity for one new entry, so that saving it twice makes one. */
	const entryId = untrack(() => standing?.entry.id ?? crypto.randomUUID());

	interface Draft {
		readonly name: string;
		readonly content: EntryContents[K];
	}
	const edited = untrack(() => {
		const saved: Draft = standing
			? { name: standing.entry.name, content: standing.entry.content }
			: { name: '', content: firstContent(view.kind, view.date) };
		const kept = `jovet entry ${view.kind} ${standing ? `${entryId} ${standing.lastNumber}` : 'new'}`;
		const { kind } = view;
		return new Edited<Draft>(
			saved,
			kept,
			() =>
				import('../../../contracts/kept-entry.ts').then(
					({ keptEntry }) => keptEntry(kind) as never
				),
			room.retries
		);
	});
	onMount(() => {
		void edited.bringBack();
		return followUndoKeys(() => edited);
	});
	/** What is changed applies from the bake that is looked at, unless another day is typed. */
	let appliesFrom = $state(untrack(() => view.date));
	const problems = $derived(entryProblems(view.kind, edited.value.content));
	const isNamed = $derived(edited.value.name.trim() !== '');
	const canSave = $derived(
		isNamed && problems.length === 0 && (edited.changed || !standing) && !edited.sending.busy
	);

	async function save(retired: boolean, draft: Draft = edited.value) {
		const command = {
			kind: 'save-entry',
			occurredAtMs: Math.round(room.now.epochMs),
			entryId,
			expectedNumber: standing?.lastNumber ?? 0,
			name: draft.name.trim(),
			appliesFrom,
			retired,
			entryKind: view.kind,
			content: draft.content
		} as unknown as DraftOf<'save-entry'>;
		await edited.sending.send(command, async (outcome) => {
			if (outcome.outcome !== 'done') return;
			edited.forget();
			room.tell(`${draft.name.trim()} is saved.`);
			onSaved(outcome.answer.plansChanged);
			if (standing) await readAnew('everything');
			else
				// eslint-disable-next-line svelte/no-navigation-without-resolve -- it was resolved above
				await goto(`${here}?entry=${entryId}`, {
					invalidateAll: true
				});
		});
	}
	const saved = $derived(standing?.entry ?? null);
	const here = $derived(resolve(`/bake/${view.date}/bakery/${path}`));
</script>

<form
	class="form"
	aria-label={saved ? saved.name : `A new ${words.one}`}
	data-entry={saved?.name ?? 'new'}
	onsubmit={(event) => {
		event.preventDefault();
		if (canSave) void save(saved?.retired ?? false);
	}}
>
	<header class="head">
		<h2>{saved ? saved.name : `A new ${words.one}`}</h2>
		<span class="ml-auto flex flex-wrap gap-2">
			<button
				type="button"
				class="action-lesser"
				disabled={!edited.canUndo}
				onclick={() => edited.undo()}>Undo</button
			>
			<button
				type="button"
				class="action-lesser"
				disabled={!edited.canRedo}
				onclick={() => edited.redo()}>Redo</button
			>
			<button class="action" disabled={!canSave}>{saved ? 'Save' : `Add the ${words.one}`}</button>
		</span>
	</header>
	<p class="min-h-6" role="status" data-entry-message>
		{#if edited.sending.message}<span class="act-now px-2">Look</span> {edited.sending.message}
		{:else if problems.length > 0}<span class="act-now px-2">Check</span>
			It cannot be so: {problems.map(entryProblemText).join('; ')}.
		{:else if !saved && !isNamed}Give it a name to save it.
		{:else if edited.changed}Changed, not saved yet.{/if}
	</p>
	{#if saved?.retired}<p>
			<b>Retired.</b> It stays where it is named, and is offered for nothing new.
		</p>{/if}
	{#if standing?.isToCome}<p>It begins {shortDateText(standing.entry.appliesFrom)}.</p>{/if}
	{#if standing?.changesFrom}
		<p>
			What follows holds until {shortDateText(standing.changesFrom)}: from then on something else is
			entered, see its history.
		</p>
	{/if}
	<TextField
		label="Name"
		value={edited.value.name}
		onSet={(name: string) => edited.set({ name })}
	/>
	<EntryFields
		content={edited.value.content}
		{view}
		onSet={(content: EntryContents[K]) => edited.set({ content })}
	/>
	<div class="mt-3 border-t border-line pt-2">
		<TextField
			type="date"
			label={saved ? 'The change applies from the bake of' : 'In use from the bake of'}
			value={appliesFrom}
			onSet={(date: string) => (appliesFrom = date as BakeDate)}
		/>
	</div>
	{#if saved}
		<p class="mt-3" data-retire>
			<button
				type="button"
				class="action-lesser"
				disabled={edited.sending.busy || edited.changed}
				onclick={() => void save(!saved.retired, saved)}
				>{saved.retired ? `Bring ${saved.name} back` : `Retire ${saved.name}`}</button
			>
			{#if saved.kind === 'drop' && !saved.retired}
				<span class="ml-2 text-note"
					>From then on its standing orders are asked for no more; what was typed for a date is
					baked.</span
				>
			{/if}
		</p>
	{/if}
</form>

<style>
	.form {
		max-width: 720px;
		padding: 14px 18px;
		background: var(--sheet);
		border: 1px solid var(--line);
	}
	.head {
		position: sticky;
		top: 0;
		z-index: 2;
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 8px;
		padding: 4px 0;
		background: var(--sheet);
	}
</style>
