<script lang="ts">
	import { goto } from '$app/navigation';
	import { resolve } from '$app/paths';
	import { useRoom } from '../../client/room-context.ts';
	import {
		CHANGE_AREAS,
		type ChangeArea,
		type ChangesView,
		type ChangeView
	} from '../../contracts/change-views.ts';
	import type { EntryKind } from '../../core/bakery/index.ts';
	import Choice from '../../ui/Choice.svelte';
	import { AREA_TEXT, didText, saidText } from '../../wording/change-text.ts';
	import { dayText, momentText, shortDateText } from '../../wording/time-text.ts';
	import BakeryPage from './BakeryPage.svelte';

	interface Asked {
		readonly byId: string | null;
		readonly area: ChangeArea | null;
		readonly before: number | null;
	}
	interface Props {
		date: string;
		asked: Asked;
		changes: ChangesView;
		counts: Readonly<Record<EntryKind, number>>;
	}
	let { date, asked, changes, counts }: Props = $props();
	const room = useRoom();
	const zone = $derived(room.bakery.timeZone);
	const EVERYTHING = 'all';
	const whose = $derived(changes.people.find(({ id }) => id === asked.byId)?.name ?? null);
	const sentence = $derived(
		changes.changes.length === 0
			? 'Nothing of that was changed.'
			: `${whose ?? 'Everybody'}: what was changed${asked.area === null ? '' : ` of ${AREA_TEXT[asked.area]}`}, newest first.`
	);
	/** The address of what is asked for, with something of it changed. */
	function address(other: Partial<Asked>): '' | `?${string}` {
		const { byId, area, before } = { ...asked, ...other };
		const asks = [
			...(byId === null ? [] : [`by=${byId}`]),
			...(area === null ? [] : [`of=${area}`]),
			...(before === null ? [] : [`before=${before}`])
		];
		return asks.length === 0 ? '' : `?${asks.join('&')}`;
	}
	const ask = (other: Partial<Asked>) =>
		void goto(resolve(`/bake/${date}/bakery/changes${address({ ...other, before: null })}`), {
			keepFocus: true
		});
	/** Under the day it was done on. */
	const days = $derived.by(() => {
		const found: { day: string; of: ChangeView[] }[] = [];
		for (const change of changes.changes) {
			const day = dayText(change.atMs, zone);
			const last = found.at(-1);
			if (last?.day === day) last.of.push(change);
			else found.push({ day, of: [change] });
		}
		return found;
	});
</script>

<BakeryPage
	{date}
	{counts}
	current="changes"
	{sentence}
	note="Each of them as it was sent: by whom, when, and what it says. Nothing here can be changed."
>
	<div class="mb-3 flex flex-wrap gap-4">
		<div class="w-64">
			<Choice
				label="Whose"
				options={[
					{ value: EVERYTHING, label: 'everybody’s' },
					...changes.people.map(({ id, name }) => ({ value: id, label: name }))
				]}
				value={asked.byId ?? EVERYTHING}
				onSet={(value) => ask({ byId: value === EVERYTHING ? null : value })}
			/>
		</div>
		<div class="w-64">
			<Choice
				label="Of what"
				options={[
					{ value: EVERYTHING, label: 'of everything' },
					...CHANGE_AREAS.map((area) => ({ value: area, label: `of ${AREA_TEXT[area]}` }))
				]}
				value={asked.area ?? EVERYTHING}
				onSet={(value) => ask({ area: CHANGE_AREAS.find((area) => area === value) ?? null })}
			/>
		</div>
	</div>
	<div data-changes>
		{#each days as { day, of } (day)}
			<section class="mb-3 border border-line bg-sheet px-4 py-2" aria-label={day}>
				<h2 class="font-bold">{day}</h2>
				<ul>
					{#each of as change (change.sequence)}
						<li class="border-t border-line py-1" data-change={change.kind}>
							<span class="text-ink-2">{momentText(change.atMs, change.atMs, zone)}</span>
							<b>{change.by}</b>
							{didText(change.kind)}{change.about.length === 0
								? ''
								: `: ${change.about.join(', ')}`}{change.date === null
								? ''
								: `, for ${shortDateText(change.date)}`}
							{#if change.said.length > 0}
								<span class="block text-note text-ink-2"
									>{change.said
										.map((one) => saidText(one, room.now.epochMs, zone))
										.join(' · ')}</span
								>
							{/if}
						</li>
					{/each}
				</ul>
			</section>
		{/each}
	</div>
	<nav class="flex gap-4" aria-label="Pages of the log">
		{#if asked.before !== null}
			<a
				class="action-lesser no-underline!"
				href={resolve(`/bake/${date}/bakery/changes${address({ before: null })}`)}>The newest</a
			>
		{/if}
		{#if changes.before !== null}
			<a
				class="action-lesser no-underline!"
				href={resolve(`/bake/${date}/bakery/changes${address({ before: changes.before })}`)}
				>What was before</a
			>
		{/if}
	</nav>
</BakeryPage>
