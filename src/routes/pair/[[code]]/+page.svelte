<script lang="ts">
	import PairRoom from '$lib/features/doors/PairRoom.svelte';
	import type { PageProps } from './$types';

	let { data, form }: PageProps = $props();
</script>

<PairRoom isSecure={data.isSecure} code={data.code} problem={form?.problem ?? null} />
