<script lang="ts">
  import { navWords } from '$lib/features/shell/words.ts';
</script>

<main><a href="/jobs">{navWords.jobs}</a></main>
