/** Where the theme is kept in this browser. */
export const THEME_KEY = 'gilder-theme';

/** Runs before the first paint, so that a dark room is not lit up at every load. */
export const THEME_SCRIPT = `document.documentElement.dataset.theme=localStorage.getItem('${THEME_KEY}')==='lamplight'?'lamplight':'daylight'`;
