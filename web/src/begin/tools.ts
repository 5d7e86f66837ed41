/** Asked for on its own so that the libraries under the fields and drawings are read in a task of their own. */
export { scaleLinear } from 'd3-scale'
