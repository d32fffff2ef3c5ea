<!-- Hatch patterns by what a thing is made of; one set per drawing. -->
<script lang="ts">
  let { id }: { /** Prefix that keeps two drawings on a page apart. */ id: string } = $props();
</script>

<defs>
  <pattern id="{id}-wood" width="14" height="14" patternUnits="userSpaceOnUse" patternTransform="rotate(-32)">
    <rect width="14" height="14" fill="#f0dcc0" />
    <path d="M0 3h14M0 8h14M0 12h14" stroke="#b98f5b" stroke-width=".8" />
  </pattern>
  <pattern
    id="{id}-wood-board"
    width="7"
    height="7"
    patternUnits="userSpaceOnUse"
    patternTransform="rotate(58)"
  >
    <rect width="7" height="7" fill="#e9e1cf" />
    <path d="M0 3.5h7" stroke="#cdbf9f" stroke-width=".8" />
  </pattern>
  <pattern id="{id}-insulation" width="18" height="12" patternUnits="userSpaceOnUse">
    <rect width="18" height="12" fill="#f8f1d4" />
    <path d="M0 6c3-7 6-7 9 0s6 7 9 0" fill="none" stroke="#c6ad5c" stroke-width="1" />
  </pattern>
  <pattern id="{id}-foam" width="9" height="9" patternUnits="userSpaceOnUse">
    <rect width="9" height="9" fill="#f6e7b8" />
    <circle cx="2.5" cy="2.5" r="1.3" fill="none" stroke="#b6902a" stroke-width=".8" />
    <circle cx="6.8" cy="6.4" r="1" fill="none" stroke="#b6902a" stroke-width=".8" />
  </pattern>
  <pattern id="{id}-shim" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
    <rect width="5" height="5" fill="#6a6f70" />
    <path d="M0 2.5h5" stroke="#aab0b0" stroke-width="1" />
  </pattern>
  <pattern id="{id}-wrap" width="26" height="26" patternUnits="userSpaceOnUse">
    <rect width="26" height="26" fill="#f7f8f6" />
    <path d="M4 20l5-5M17 9l5-5" stroke="#cfd6d3" stroke-width="1" />
  </pattern>
  <pattern id="{id}-wrap-back" width="10" height="10" patternUnits="userSpaceOnUse">
    <rect width="10" height="10" fill="#dfe6e3" />
    <path d="M0 0l10 10M10 0L0 10" stroke="#b3c0bb" stroke-width=".6" />
  </pattern>
</defs>
