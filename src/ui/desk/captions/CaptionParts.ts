/* What the desk shows of captions, fetched in one go. */
export { CaptionPace } from './CaptionPace';
export { CaptionSheet } from './CaptionSheet';
export { CaptionTools } from './CaptionTools';
export { CueCard } from './CueCard';
