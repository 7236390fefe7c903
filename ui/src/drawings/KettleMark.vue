<template>
  <svg
    width="30"
    height="30"
    viewBox="0 0 30 30"
    fill="none"
    stroke="currentColor"
    stroke-width="2.2"
    stroke-linecap="round"
    stroke-linejoin="round"
    aria-hidden="true"
  >
    <path d="M6 13h15l1.5 12h-18z" />
    <path d="M8 13c0-4 11-4 11 0M21.5 16c3 0 4-3 6.500-3M13.500 7V5" />
  </svg>
</template>
