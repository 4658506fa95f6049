<script lang="ts">
	import { Progress } from '@skeletonlabs/skeleton-svelte';
</script>

<Progress value={null}>
	<Progress.Label>Looking for a first plan</Progress.Label>
	<Progress.Track class="h-4 border-2 border-ink bg-sheet">
		<Progress.Range class="h-full bg-ink" />
	</Progress.Track>
</Progress>
