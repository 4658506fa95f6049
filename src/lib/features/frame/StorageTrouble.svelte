<script lang="ts">
	import FrameNote from './FrameNote.svelte';
	import type { StorageTrouble } from '../../client/outbox.svelte.ts';

	interface Props {
		trouble: StorageTrouble;
	}
	let { trouble }: Props = $props();

	const TEXT: Readonly<Record<StorageTrouble, string>> = {
		'keeps-nothing':
			'This browser keeps nothing. What waits to be sent is lost when this page is closed: leave it open until everything is sent, and allow the browser to keep data of this site.',
		full: 'The storage of this browser is full. What waits to be sent is lost when this page is closed: leave it open until everything is sent, and make room on this device.',
		'little-room':
			'Little room is left in this browser’s storage. Make room on this device before the night: what waits for the server is kept there.',
		'was-emptied':
			'The storage of this browser was emptied. What waited on this page was written down again; what waited in a page that was closed before is gone.',
		unread:
			'Something waits in this browser that another version of Jovet wrote and this one cannot read. It is kept; tell whoever looks after Jovet.'
	};
</script>

<FrameNote role="alert" label="Check" data-storage-trouble={trouble}>
	{TEXT[trouble]}
</FrameNote>
