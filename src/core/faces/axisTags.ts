/** What styles call axes and features by: tags of letters and figures, as all that are registered have. */
export const AXIS_TAG = /^[a-zA-Z0-9]{4}$/;
/** On how many axes besides weight and width a style can be. */
export const MOST_AXES = 16;
