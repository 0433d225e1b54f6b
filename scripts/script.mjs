// npm run --silent script -- FILE… --class ID --as json|md|csv|vtt|srt|pdf|docx
import { runCommand } from './lib/ensure.mjs';

runCommand('script', process.argv.slice(2));
