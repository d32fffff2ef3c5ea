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
  <pattern id="{id}-foam-board" width="16" height="16" patternUnits="userSpaceOnUse">
    <rect width="16" height="16" fill="#f4ecdc" />
    <path d="M0 0l16 16M16 0L0 16" stroke="#d8c79f" stroke-width=".7" />
  </pattern>
  <pattern id="{id}-hd-foam" width="10" height="10" patternUnits="userSpaceOnUse">
    <rect width="10" height="10" fill="#e6dfc0" />
    <path d="M0 0l10 10M10 0L0 10M0 5h10" stroke="#a89a62" stroke-width=".7" />
  </pattern>
  <pattern id="{id}-panel" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
    <rect width="8" height="8" fill="#e8d3b0" />
    <path d="M0 2h8M0 6h4" stroke="#a4834f" stroke-width=".9" />
  </pattern>
  <pattern id="{id}-masonry" width="9" height="9" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
    <rect width="9" height="9" fill="#ecd9cf" />
    <path d="M0 3h9M0 5h9" stroke="#b58a76" stroke-width=".8" />
  </pattern>
  <pattern id="{id}-plaster" width="8" height="8" patternUnits="userSpaceOnUse">
    <rect width="8" height="8" fill="#f3f2ee" />
    <circle cx="2" cy="2" r=".7" fill="#a9a69b" />
    <circle cx="6" cy="6" r=".7" fill="#a9a69b" />
  </pattern>
  <pattern id="{id}-wool" width="12" height="10" patternUnits="userSpaceOnUse">
    <rect width="12" height="10" fill="#f6efcf" />
    <path d="M0 5c2-6 4-6 6 0s4 6 6 0" fill="none" stroke="#b89b45" stroke-width=".9" />
  </pattern>
  <pattern id="{id}-fibre" width="9" height="9" patternUnits="userSpaceOnUse">
    <rect width="9" height="9" fill="#faf3dc" />
    <path d="M1 8c3-2 1-6 4-7M6 9c1-3 2-3 3-6" fill="none" stroke="#b89b45" stroke-width=".7" />
  </pattern>
  <pattern id="{id}-insulation-block" width="10" height="10" patternUnits="userSpaceOnUse">
    <rect width="10" height="10" fill="#d9d2b6" />
    <path d="M0 0l10 10M10 0L0 10" stroke="#7d7449" stroke-width=".9" />
  </pattern>
  <pattern id="{id}-band" width="5" height="5" patternUnits="userSpaceOnUse">
    <rect width="5" height="5" fill="#55595b" />
    <circle cx="2.5" cy="2.5" r="1" fill="#9aa0a2" />
  </pattern>
  <pattern id="{id}-coated-face" width="30" height="30" patternUnits="userSpaceOnUse">
    <rect width="30" height="30" fill="#dfe8e0" />
    <path d="M5 25l6-6M20 10l6-6" stroke="#b3c4b5" stroke-width="1" />
  </pattern>
  <pattern id="{id}-fluid" width="14" height="14" patternUnits="userSpaceOnUse">
    <rect width="14" height="14" fill="#9fb9a8" />
    <path d="M2 4h4M8 10h4" stroke="#7d9c88" stroke-width="1" />
  </pattern>
</defs>
