<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { ref } from 'vue'

/** Takes one picture, by the camera or from a file. */
withDefaults(
  defineProps<{
    busy?: boolean
    variant?: 'primary' | 'outline-secondary' | 'link'
    small?: boolean
    /** a page of a PDF is one too */
    any?: boolean
  }>(),
  { variant: 'outline-secondary' },
)
const emit = defineEmits<{ picture: [file: File] }>()
const file = ref<HTMLInputElement>()
function chosen(event: Event) {
  const input = event.target as HTMLInputElement
  if (input.files?.[0]) emit('picture', input.files[0])
  input.value = ''
}
</script>

<template>
  <span>
    <BButton :variant="variant" :class="{ 'btn-sm': small }" :disabled="busy" @click="file?.click()"
      ><slot>Add a picture</slot></BButton
    >
    <input
      ref="file"
      type="file"
      :accept="any ? 'image/*,application/pdf' : 'image/*'"
      class="visually-hidden"
      tabindex="-1"
      aria-label="A picture"
      @change="chosen"
    />
  </span>
</template>
