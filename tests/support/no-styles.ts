/** Stands in for a style sheet: jsdom lays nothing out. */
const classes: Record<string, string> = {};
export default classes;
