<script lang="ts">
	import { FileUpload, Progress } from '@skeletonlabs/skeleton-svelte';
	import { goto } from '$app/navigation';
	import { resolve } from '$app/paths';
	import type { ArchiveAnswer } from '../../contracts/archive.ts';
	import { archiveProblemText } from '../../wording/archive-text.ts';

	let message = $state('');
	let busy = $state(false);
	/** The same archive can be chosen again. */
	let opened = $state(0);

	async function take(chosen: File | undefined) {
		message = '';
		if (!chosen || busy) return;
		opened += 1;
		busy = true;
		try {
			const sent = await fetch(resolve('/begin/archive'), {
				method: 'POST',
				headers: { 'content-type': 'application/zip' },
				body: chosen
			});
			const answer = (await sent.json()) as ArchiveAnswer;
			if (answer.outcome === 'done') await goto(resolve('/you'), { invalidateAll: true });
			else message = archiveProblemText(chosen.name, answer.problem);
		} catch {
			message = 'Jovet does not answer. Nothing was taken; choose the archive once more.';
		} finally {
			busy = false;
		}
	}
</script>

<section class="along" aria-labelledby="bring-along" data-bring-along>
	<h2 id="bring-along">Or bring one along</h2>
	<p class="my-2">
		A bakery that was kept elsewhere, from the archive that its page Bakery saves. All of it is
		taken, or nothing.
	</p>
	{#key opened}
		<FileUpload
			accept={{ 'application/zip': ['.zip'] }}
			maxFiles={1}
			disabled={busy}
			onFileChange={({ acceptedFiles, rejectedFiles }) =>
				void take(acceptedFiles[0] ?? rejectedFiles[0]?.file)}
		>
			<FileUpload.Trigger class="action-lesser">Choose the archive</FileUpload.Trigger>
			<FileUpload.HiddenInput aria-label="An archive of a bakery" name="archive" />
		</FileUpload>
	{/key}
	{#if busy}
		<Progress value={null}>
			<Progress.Label>Taking the bakery in</Progress.Label>
			<Progress.Track class="h-2 border border-ink bg-sheet">
				<Progress.Range class="h-full bg-ink" />
			</Progress.Track>
		</Progress>
	{/if}
	{#if message}<p class="mt-3" role="alert">{message}</p>{/if}
</section>

<style>
	.along {
		max-width: 640px;
		margin: 0 20px 20px;
		padding: 18px 22px;
		border: 1px solid var(--line);
		background: var(--sheet);
	}
	.along :global([data-scope='file-upload']) {
		max-width: 20rem;
	}
	@media (max-width: 600px) {
		.along {
			margin: 0 8px 20px;
		}
	}
</style>
