<script lang="ts">
  import { navWords } from '$words/shell.ts';
</script>

<main><a href="/jobs">{navWords.jobs}</a></main>
