<script lang="ts">
	import BringInRoom from '$lib/features/bring-in/BringInRoom.svelte';
	import type { PageProps } from './$types';

	let { data }: PageProps = $props();
</script>

<BringInRoom view={data} />
