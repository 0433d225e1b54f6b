import { Captions } from 'lucide-react';

interface CaptionsFileProps {
  readonly label: string;
  readonly reading: boolean;
  readonly onFile: (file: File) => void;
}

/** A file of captions chosen to be read. */
export const CaptionsFile = ({ label, reading, onFile }: CaptionsFileProps) => (
  <label className="action focus-within:border-ink">
    <Captions className="size-4" aria-hidden="true" />
    {reading ? 'Reading …' : label}
    <input
      type="file"
      accept=".vtt,.srt,.txt,text/vtt,text/plain"
      className="sr-only"
      onChange={({ target }) => {
        const [file] = target.files ?? [];
        if (file) onFile(file);
        target.value = '';
      }}
    />
  </label>
);
