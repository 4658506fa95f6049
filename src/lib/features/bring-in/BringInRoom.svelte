<script lang="ts">
	import { FileUpload, Progress } from '@skeletonlabs/skeleton-svelte';
	import { onMount } from 'svelte';
	import { goto } from '$app/navigation';
	import { resolve } from '$app/paths';
	import { readAnew } from '../../client/read-anew.ts';
	import { useRoom } from '../../client/room-context.ts';
	import { Sending } from '../../client/sending.svelte.ts';
	import type { BringInView } from '../../contracts/bring-in-views.ts';
	import { formatNumber } from '../../core/units/index.ts';
	import RoomHeading from '../../ui/RoomHeading.svelte';
	import { bookProblemText } from '../../wording/bring-in-text.ts';
	import { BringInModel } from './bring-in-model.svelte.ts';
	import BroughtThings from './BroughtThings.svelte';
	import UnknownNames from './UnknownNames.svelte';

	interface Props {
		view: BringInView;
	}
	let { view }: Props = $props();
	const room = useRoom();
	const sending = new Sending(room.retries);
	const model = new BringInModel(() => view.ours);
	onMount(() => () => model.close());

	/** The same file can be chosen again, once it was mended. */
	let opened = $state(0);
	/** Problems beyond these are counted. */
	const MOST_TOLD = 40;
	const { read, plan } = $derived(model);
	const coming = $derived(
		plan?.things.filter(({ becomes }) =>
			becomes.kind === 'clash' ? typeof becomes.chosen === 'object' : becomes.kind === 'new'
		).length ?? 0
	);
	const added = $derived((plan?.content?.ingredients.length ?? 0) > 0);
	const sentence = $derived.by(() => {
		if (!read || !plan) return 'Formulas from a file: chosen here, looked at, and only then taken.';
		if (plan.unknown.length > 0)
			return plan.unknown.length === 1
				? `${read.name} names one ingredient that is not in the book: say what it is.`
				: `${read.name} names ${plan.unknown.length} ingredients that are not in the book: say what each is.`;
		if (!plan.content) return `Nothing in ${read.name} is other than it stands in the book.`;
		return `${read.name} brings ${coming === 1 ? 'one thing' : `${formatNumber(coming, 0)} things`} into the book.`;
	});

	async function open(file: File | undefined) {
		opened += 1;
		await model.open(file);
	}
	async function take() {
		const content = plan?.content;
		if (!content) return;
		await sending.send(
			{
				kind: 'bring-in',
				occurredAtMs: Math.round(room.now.epochMs),
				...content
			},
			async ({ outcome, ...result }) => {
				if (outcome !== 'done') {
					// Somebody else wrote into the book meanwhile: it is held against what is there now.
					await readAnew('jovet:day');
					return;
				}
				room.tell(
					`${coming === 1 ? 'One thing is' : `${formatNumber(coming, 0)} things are`} in the book.`
				);
				const first = 'answer' in result ? result.answer.firstFormulaId : null;
				model.leave();
				await goto(resolve(`/bake/${view.date}/formulas${first === null ? '' : `/${first}`}`));
			}
		);
	}
</script>

<RoomHeading
	{sentence}
	note="A book or recipes as JSON, or a table (CSV) with a line for each ingredient. Nothing changes until you take it."
>
	{#snippet actions()}
		<a class="action-lesser no-underline!" href={resolve(`/bake/${view.date}/formulas`)}
			>The formulas</a
		>
	{/snippet}
</RoomHeading>

<div class="room" data-bring-in>
	<section aria-labelledby="file">
		<h2 id="file">The file</h2>
		{#key opened}
			<FileUpload
				class="mt-2"
				accept={{
					'text/csv': ['.csv', '.tsv', '.txt'],
					'application/json': ['.json', '.jsonld']
				}}
				maxFiles={1}
				onFileChange={({ acceptedFiles, rejectedFiles }) =>
					void open(acceptedFiles[0] ?? rejectedFiles[0]?.file)}
			>
				<FileUpload.Trigger class={read ? 'action-lesser' : 'action'}
					>{read ? 'Choose another file' : 'Choose a file'}</FileUpload.Trigger
				>
				<FileUpload.HiddenInput aria-label="A file of formulas" name="formulas" />
			</FileUpload>
		{/key}
		{#if model.reading}
			<Progress value={model.progress === null ? null : Math.round(model.progress * 100)}>
				<Progress.Label>Reading{model.progress === null ? '' : ' line by line'}</Progress.Label>
				<Progress.Track class="h-2 border border-ink bg-sheet">
					<Progress.Range class="h-full bg-ink" />
				</Progress.Track>
			</Progress>
		{/if}
		{#if model.message}<p class="mt-3" role="alert" data-file-failure>{model.message}</p>{/if}
		{#if read && read.problems.length > 0}
			<h3 class="mt-4">
				{read.problems.length === 1
					? 'One line is not as it should be'
					: `${formatNumber(read.problems.length, 0)} lines are not as they should be`}
			</h3>
			<ul data-file-problems>
				{#each read.problems.slice(0, MOST_TOLD) as one, at (at)}
					<li class="border-b border-line py-1">
						{#if one.line > 0}<span class="act-now px-2">Line {one.line}</span>{/if}
						{bookProblemText(one)}
					</li>
				{/each}
				{#if read.problems.length > MOST_TOLD}
					<li class="py-1">And {formatNumber(read.problems.length - MOST_TOLD, 0)} more.</li>
				{/if}
			</ul>
		{/if}
	</section>
	{#if read && plan}
		{#if plan.unknown.length > 0 || model.names.size > 0}
			<UnknownNames {plan} {model} ours={view.ours} />
		{/if}
		<BroughtThings {plan} {model} />
		<div class="take">
			{#if sending.message}<p role="alert"><b>{sending.message}</b></p>{/if}
			{#if plan.content && added && plan.content.formulas.length > 0}
				<p class="text-ink-2">
					New ingredients begin plainly: look at their composition and allergens before anything is
					sold with them.
				</p>
			{/if}
			<div class="flex flex-wrap gap-3">
				<button
					class="action"
					disabled={!plan.content || sending.busy || model.reading}
					onclick={() => void take()}
					>{coming === 1 ? 'Take it into the book' : `Take all ${coming} into the book`}</button
				>
				<button class="action-lesser" onclick={() => model.leave()}>Leave it</button>
			</div>
		</div>
	{/if}
</div>

<style>
	.room {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(min(420px, 100%), 1fr));
		gap: 20px;
		align-items: start;
		padding: 0 20px 24px;
	}
	.room > :global(section) {
		padding: 16px;
		border: 1px solid var(--line);
		background: var(--sheet);
	}
	.room :global([data-scope='file-upload']) {
		max-width: 20rem;
	}
	.take {
		grid-column: 1 / -1;
		display: grid;
		gap: 12px;
	}
</style>
