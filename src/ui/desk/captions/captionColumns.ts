/** How wide the columns of the captions' sheet are: number, in, lasts, speaker, words, pace, proof. */
export const CAPTION_COLUMNS = '44px 100px 76px 104px minmax(150px,1fr) 58px 168px';
