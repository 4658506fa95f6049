<script lang="ts">
	import { FileUpload } from '@skeletonlabs/skeleton-svelte';
	import { smallPicture } from '../../client/small-picture.ts';
	import type { ToldResults } from '../../client/told-results.svelte.ts';
	import type { PortionRef } from '../../core/results/index.ts';

	interface Props {
		name: string;
		portion: PortionRef;
		results: ToldResults;
	}
	let { name, portion, results }: Props = $props();
	let message = $state('');

	async function take(file: File | undefined) {
		if (!file) return;
		message = 'It is made small.';
		const jpegBase64 = await smallPicture(file);
		if (jpegBase64 === null) {
			message = `${file.name} is no picture that can be read here; take a JPEG or a PNG.`;
			return;
		}
		message = '';
		await results.tell(portion, { kind: 'picture', jpegBase64 }, `${name}: a picture`);
	}
</script>

<div data-picture={name}>
	<FileUpload
		accept="image/*"
		maxFiles={1}
		onFileChange={({ acceptedFiles, rejectedFiles }) =>
			void take(acceptedFiles[0] ?? rejectedFiles[0]?.file)}
	>
		<FileUpload.Trigger class="action-lesser">Add a picture</FileUpload.Trigger>
		<FileUpload.HiddenInput aria-label="A picture of {name}" name="picture" />
	</FileUpload>
	<p role="status" data-picture-message>{message}</p>
</div>
