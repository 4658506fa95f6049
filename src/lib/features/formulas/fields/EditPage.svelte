<script lang="ts" module>
	type BookCommand = 'save-preparation' | 'save-product' | 'save-ingredient';
</script>

<script lang="ts" generics="T extends { readonly name: string }">
	import { onMount, type Snippet } from 'svelte';
	import { goto } from '$app/navigation';
	import { readAnew } from '../../../client/read-anew.ts';
	import { resolve } from '$app/paths';
	import { useRoom } from '../../../client/room-context.ts';
	import type { Draft } from '../../../client/send-command.ts';
	import type { CommandOf } from '../../../contracts/commands.ts';
	import type { BookList } from '../../../contracts/views.ts';
	import BookPage from '../BookPage.svelte';
	import type { Edited } from '../../../fields/edited.ts';
	import EditHeading from '../../../fields/EditHeading.svelte';
	import RetireButton from './RetireButton.svelte';

	interface Props {
		date: string;
		book: BookList;
		shelf: 'preparations' | 'products' | 'ingredients';
		what: CommandOf<'retire'>['what'];
		/** What is edited as it is saved; null for a new one. */
		saved: { readonly id: string; readonly name: string; readonly retired: boolean } | null;
		/** The identity a new one gets. */
		newId: string;
		sentence: string;
		/** How its saved state is told: its revision, or that it is saved. */
		state: string;
		saveLabel: string;
		/** Whether what stands could be saved as it is. */
		sound: boolean;
		edited: Edited<T>;
		message: string;
		/** What saves it as it stands. */
		command: () => Draft<BookCommand>;
		children: Snippet;
	}
	let {
		date,
		book,
		shelf,
		what,
		saved,
		newId,
		sentence,
		state,
		saveLabel,
		sound,
		edited,
		message = $bindable(),
		command,
		children
	}: Props = $props();

	const room = useRoom();
	onMount(() => {
		void edited.bringBack().then((back) => {
			if (back) message = 'These changes were made before and are not saved yet.';
		});
	});
	const named = $derived(edited.value.name.trim() !== '');
	const note = $derived.by(() => {
		if (!saved) return named ? 'Not saved yet.' : 'Not saved yet; it needs a name.';
		const retired = saved.retired ? ' Retired.' : '';
		return `${state}${retired}${edited.changed ? ' Changed, not saved yet.' : ''}`;
	});

	async function saveIt() {
		message = '';
		await edited.sending.send(command(), async ({ outcome }) => {
			if (outcome !== 'done') return;
			edited.forget();
			const { name } = edited.value;
			if (saved) await readAnew('jovet:day');
			else await goto(resolve(`/bake/${date}/${shelf}/${newId}`));
			room.tell(`${name} is saved.`);
		});
	}
	const said = $derived(edited.sending.message || message);
</script>

<EditHeading
	{sentence}
	{note}
	{saveLabel}
	canSave={edited.changed && sound && named && !edited.sending.busy}
	history={edited}
	onSave={saveIt}
/>
<BookPage {date} {book} {shelf} current={saved?.id ?? null}>
	<p class="sticky top-0 z-10 mb-2 min-h-6 bg-ground py-1" role="status" data-book-message>
		{#if said}<span class="act-now px-2">Look</span> {said}{/if}
	</p>
	{@render children()}
	{#if saved}
		<RetireButton {what} entityId={saved.id} name={saved.name} retired={saved.retired} />
	{/if}
</BookPage>
