/**
 * The field a session is written in, on CodeMirror. It comes in a file of its own after the screen around it, and brings none of the
 * app's code along: what the text means is read outside and handed in. Steps back and forward are the draft's; it keeps no history of its own.
 */
import {
  autocompletion,
  closeCompletion,
  completionStatus,
  moveCompletionSelection,
  selectedCompletion,
  type CompletionContext,
  type CompletionResult,
} from '@codemirror/autocomplete';
import { insertNewline, standardKeymap } from '@codemirror/commands';
import { diagnosticCount, lintKeymap, setDiagnostics, type Diagnostic } from '@codemirror/lint';
import {
  Annotation,
  Compartment,
  EditorState,
  Prec,
  RangeSet,
  StateEffect,
  StateField,
  type Extension,
} from '@codemirror/state';
import { Decoration, EditorView, keymap, placeholder, tooltips, type DecorationSet } from '@codemirror/view';
import type { Completions } from '@core/session/completions';
import type { Problem } from '@core/session/reader';
import type { Stretch } from './marker';

export type Look = Parameters<typeof EditorView.theme>[0];

export type Asked = {
  host: HTMLElement;
  label: string;
  hint: string;
  offer: (text: string, at: number) => Completions | undefined;
  onChange: (text: string) => void;
};

const setPens = StateEffect.define<DecorationSet>();
const pens = StateField.define<DecorationSet>({
  create: () => Decoration.none,
  update: (before, { changes, effects }) =>
    effects.reduce((set, effect) => (effect.is(setPens) ? effect.value : set), before.map(changes)),
  provide: (field) => EditorView.decorations.from(field),
});

const setInvalid = StateEffect.define<boolean>();
const invalid = StateField.define<boolean>({
  create: () => false,
  update: (before, { effects }) => effects.reduce((is, effect) => (effect.is(setInvalid) ? effect.value : is), before),
  provide: (field) => EditorView.contentAttributes.from(field, (is) => ({ 'aria-invalid': String(is) })),
});

/** A change that came from outside: nobody typed it. */
const fromOutside = Annotation.define<boolean>();

/** The least change that makes one text of another: the cursor stays where it is in the rest. */
function difference(before: string, after: string): { from: number; to: number; insert: string } {
  const shorter = Math.min(before.length, after.length);
  let from = 0;
  while (from < shorter && before[from] === after[from]) from++;
  let tail = 0;
  while (tail < shorter - from && before[before.length - 1 - tail] === after[after.length - 1 - tail]) tail++;
  return { from, to: before.length - tail, insert: after.slice(from, after.length - tail) };
}

export class SessionField {
  private readonly view: EditorView;
  private readonly look = new Compartment();

  constructor({ host, label, hint, offer, onChange }: Asked) {
    const offered = ({ state, pos }: CompletionContext): CompletionResult | null => {
      const found = offer(state.doc.toString(), pos);
      // In our own order: the likeliest first.
      return found
        ? { from: found.from, filter: false, options: found.options.map((name) => ({ label: name })) }
        : null;
    };
    /** Tab takes the name that is chosen, else the first, as soon as a letter of it is typed; else it leaves the field. */
    const take = (view: EditorView): boolean => {
      const { head } = view.state.selection.main;
      const found = offer(view.state.doc.toString(), head);
      const chosen = selectedCompletion(view.state)?.label;
      const name = chosen ?? found?.options[0];
      if (!found || name === undefined || (chosen === undefined && found.from === found.to)) return false;
      this.put(name, found.from, found.to);
      closeCompletion(view);
      return true;
    };
    const choose = (isForward: boolean) => (view: EditorView) =>
      completionStatus(view.state) === 'active' && moveCompletionSelection(isForward)(view);
    this.view = new EditorView({
      parent: host,
      state: EditorState.create({
        extensions: [
          // A return from elsewhere is a sign like others: what is counted outside is counted the same here.
          EditorState.lineSeparator.of('\n'),
          pens,
          invalid,
          this.look.of([]),
          EditorView.lineWrapping,
          EditorView.contentAttributes.of({
            'aria-label': label,
            autocapitalize: 'none',
            autocorrect: 'off',
            spellcheck: 'false',
            inputmode: 'text',
          }),
          placeholder(hint),
          // Each view of React Native Web is a layer of its own: inside one, offers would lie under the next.
          tooltips({ parent: document.body }),
          autocompletion({
            override: [offered],
            // Enter begins a new line for as long as no name is chosen.
            selectOnOpen: false,
            icons: false,
            interactionDelay: 0,
            activateOnTypingDelay: 0,
          }),
          Prec.highest(
            keymap.of([
              { key: 'Tab', run: take },
              { key: 'Alt-ArrowDown', run: choose(true) },
              { key: 'Alt-ArrowUp', run: choose(false) },
            ]),
          ),
          keymap.of([{ key: 'Enter', run: insertNewline }, ...lintKeymap, ...standardKeymap]),
          EditorView.updateListener.of(({ docChanged, transactions, state }) => {
            if (docChanged && !transactions.some((change) => change.annotation(fromOutside)))
              onChange(state.doc.toString());
          }),
        ] satisfies Extension[],
      }),
    });
  }

  /** The text as it is now outside: after a step back, an answer, a change in the builder. */
  setText(text: string): void {
    const before = this.view.state.doc.toString();
    if (text === before) return;
    this.view.dispatch({ changes: difference(before, text), annotations: fromOutside.of(true) });
  }

  /** How the text is marked (the look has the classes), and what is wrong with it. Both belong to the text as it is. */
  mark(stretches: readonly Stretch[], problems: readonly Problem[], answer: (text: string) => void): void {
    const { state } = this.view;
    const isInside = ({ from, to }: { from: number; to: number }) => from >= 0 && to <= state.doc.length && from <= to;
    const marks = stretches.filter(isInside).flatMap(({ from, to, kind, isWrong }) => {
      const pen = isWrong ? 'wrong' : kind;
      return pen === undefined || from === to ? [] : [Decoration.mark({ class: `pen-${pen}` }).range(from, to)];
    });
    const diagnostics = problems.filter(isInside).map(({ from, to, message, readings = [] }): Diagnostic => ({
      from,
      to,
      message,
      severity: 'error',
      actions: readings.map(({ label, text }) => ({ name: label, apply: () => answer(text) })),
    }));
    const set = Decoration.set(marks, true);
    const isSame = RangeSet.eq([state.field(pens)], [set]);
    const isClean = diagnostics.length === 0 && diagnosticCount(state) === 0;
    if (isSame && isClean) return;
    this.view.dispatch(
      { effects: [setPens.of(set), setInvalid.of(problems.length > 0)] },
      ...(isClean ? [] : [setDiagnostics(state, diagnostics)]),
    );
  }

  setLook(look: Look, isDark: boolean): void {
    this.view.dispatch({ effects: this.look.reconfigure(EditorView.theme(look, { dark: isDark })) });
  }

  /** Writes at the cursor, in place of what is selected, as if it was typed. */
  type(words: string): void {
    const { from, to } = this.view.state.selection.main;
    this.put(words, from, to);
    this.view.focus();
  }

  private put(words: string, from: number, to: number): void {
    this.view.dispatch({
      changes: { from, to, insert: words },
      selection: { anchor: from + words.length },
      userEvent: 'input.type',
      scrollIntoView: true,
    });
  }

  remove(): void {
    this.view.destroy();
  }
}
