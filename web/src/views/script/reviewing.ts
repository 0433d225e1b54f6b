/** What holds a script against the rules: fetched after the page, which shows the words first. */
export { reviewVoice } from '@warm-ladder/core/voice';
