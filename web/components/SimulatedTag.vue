<template>
  <span class="simulated-tag" title="Made by the charge model, not measured">simulated</span>
</template>
