/** Asked for on its own so that what every room stands on is read in a task of its own. */
export { createApp } from 'vue'
