import { defineAsyncComponent, h } from 'vue'

/** A button for a file, which comes after the room: its place is kept, so that nothing moves when it is there. */
export const laterFileField = () =>
  defineAsyncComponent({
    loader: () => import('./FileField.vue'),
    loadingComponent: { render: () => h('div', { class: 'file-slot' }) },
    delay: 0,
  })
