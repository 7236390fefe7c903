/** Whether what is pressed is typed into a field. */
export function typedInto(target: EventTarget | null): boolean {
  return target instanceof Element && target.closest('input, textarea, select, [contenteditable]') !== null
}
