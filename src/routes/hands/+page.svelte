<script lang="ts">
	import HandsRoom from '$lib/features/doors/HandsRoom.svelte';
	import type { PageProps } from './$types';

	let { data, form }: PageProps = $props();
</script>

<HandsRoom
	hands={data.hands}
	to={data.to}
	problem={form?.problem ?? null}
	tried={form?.person ?? null}
/>
