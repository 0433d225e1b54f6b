export { classesSpeaking, type SharedCue, sharedCues, withCuesChanged } from './cueIndex';
