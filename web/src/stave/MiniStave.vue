<script setup lang="ts">
import { computed } from 'vue'

interface Place {
  startMs: number
  endMs: number
  /** Drawn lighter: less sure than the others. */
  isFaint?: boolean
}

/** A lecture as a line of time, small: where something is in it, and what was heard of it. */
const props = defineProps<{
  durationMs: number
  places?: readonly Place[]
  heard?: readonly Place[]
  chapters?: readonly { startMs: number }[]
  /** What it shows, for whoever cannot see it. */
  label: string
}>()

const units = 1000
const x = (ms: number) => Math.round((Math.min(ms, props.durationMs) / Math.max(1, props.durationMs)) * units)
const bars = (places: readonly Place[], top: number, height: number, least: number) =>
  places
    .map((p) => `M${x(p.startMs)} ${top}h${Math.max(least, x(p.endMs) - x(p.startMs))}v${height}H${x(p.startMs)}z`)
    .join('')
const strong = computed(() =>
  bars(
    (props.places ?? []).filter((p) => !p.isFaint),
    2,
    8,
    6,
  ),
)
const faint = computed(() =>
  bars(
    (props.places ?? []).filter((p) => p.isFaint),
    4,
    4,
    6,
  ),
)
const heardBars = computed(() => bars(props.heard ?? [], 11, 2, 2))
const edges = computed(() =>
  (props.chapters ?? [])
    .slice(1)
    .map((c) => `M${x(c.startMs)} 7v6`)
    .join(''),
)
</script>

<template>
  <svg class="mini" role="img" :aria-label="label" :viewBox="`0 0 ${units} 14`" preserveAspectRatio="none">
    <path class="edges" :d="edges" />
    <path class="line" :d="`M0 12.5H${units}`" />
    <path class="heard" :d="heardBars" />
    <path class="faint" :d="faint" />
    <path class="strong" :d="strong" />
  </svg>
</template>

<style scoped>
.mini {
  display: block;
  width: 100%;
  height: 14px;
}
.line,
.edges {
  stroke: var(--faint);
  fill: none;
  vector-effect: non-scaling-stroke;
}
.heard {
  fill: var(--ink);
}
.faint {
  fill: var(--faint);
}
.strong {
  fill: var(--sea);
}
</style>
