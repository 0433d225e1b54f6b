import { LexicalComposer } from '@lexical/react/LexicalComposer';
import { useLexicalComposerContext } from '@lexical/react/LexicalComposerContext';
import { ContentEditable } from '@lexical/react/LexicalContentEditable';
import { LexicalErrorBoundary } from '@lexical/react/LexicalErrorBoundary';
import { OnChangePlugin } from '@lexical/react/LexicalOnChangePlugin';
import { PlainTextPlugin } from '@lexical/react/LexicalPlainTextPlugin';
import {
  $createParagraphNode,
  $createTextNode,
  $getRoot,
  $getSelection,
  COMMAND_PRIORITY_HIGH,
  KEY_ENTER_COMMAND,
  KEY_ESCAPE_COMMAND,
  PASTE_COMMAND,
  REDO_COMMAND,
  UNDO_COMMAND,
} from 'lexical';
import { useEffect, useRef } from 'react';

interface LineEditorProps {
  readonly label: string;
  readonly text: string;
  readonly invalid: boolean;
  readonly onText: (text: string) => void;
  readonly onDone: () => void;
  readonly onEscape: () => void;
}

/** Prose edited where it stands: it wraps as it is spoken, and undo is the studio's one history. */
export default function LineEditor({ label, text, invalid, onText, onDone, onEscape }: LineEditorProps) {
  const config = {
    namespace: 'line',
    editorState: () => put(text),
    onError: (error: Error) => {
      throw error;
    },
  };
  return (
    <LexicalComposer initialConfig={config}>
      <PlainTextPlugin
        contentEditable={
          <ContentEditable
            aria-label={label}
            aria-invalid={invalid}
            className="field min-w-60 grow bg-sheet whitespace-pre-wrap"
          />
        }
        ErrorBoundary={LexicalErrorBoundary}
      />
      <OnChangePlugin
        ignoreSelectionChange
        onChange={(state) => onText(state.read(() => $getRoot().getTextContent()).replaceAll(/\s+/g, ' '))}
      />
      <Keys text={text} onDone={onDone} onEscape={onEscape} />
    </LexicalComposer>
  );
}

/** A line is one paragraph, whatever was pasted. */
function put(text: string): void {
  const line = $createParagraphNode();
  line.append($createTextNode(text));
  $getRoot().clear().append(line);
  line.selectEnd();
}

type KeysProps = Pick<LineEditorProps, 'text' | 'onDone' | 'onEscape'>;

/** Enter keeps, Escape leaves it as it was; what is undone or changed elsewhere is shown here too. */
function Keys({ text, onDone, onEscape }: KeysProps) {
  const [editor] = useLexicalComposerContext();
  const now = useRef({ onDone, onEscape });
  useEffect(() => {
    now.current = { onDone, onEscape };
  });
  useEffect(() => {
    editor.focus();
    // The studio's own keys undo and redo, wherever they are pressed.
    const own = [UNDO_COMMAND, REDO_COMMAND].map((command) =>
      editor.registerCommand(command, () => true, COMMAND_PRIORITY_HIGH),
    );
    const enter = editor.registerCommand(
      KEY_ENTER_COMMAND,
      (event) => {
        event?.preventDefault();
        now.current.onDone();
        return true;
      },
      COMMAND_PRIORITY_HIGH,
    );
    const left = editor.registerCommand(
      KEY_ESCAPE_COMMAND,
      () => {
        now.current.onEscape();
        return true;
      },
      COMMAND_PRIORITY_HIGH,
    );
    const paste = editor.registerCommand(
      PASTE_COMMAND,
      (event) => {
        if (!('clipboardData' in event)) return false;
        event.preventDefault();
        const pasted = event.clipboardData?.getData('text/plain').replaceAll(/\s+/g, ' ') ?? '';
        editor.update(() => $getSelection()?.insertText(pasted));
        return true;
      },
      COMMAND_PRIORITY_HIGH,
    );
    return () => {
      for (const end of [...own, enter, left, paste]) end();
    };
  }, [editor]);
  useEffect(() => {
    const stands = editor.getEditorState().read(() => $getRoot().getTextContent());
    if (stands.trim() !== text.trim()) editor.update(() => put(text));
  }, [editor, text]);
  return null;
}
