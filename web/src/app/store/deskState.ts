import { createAction, type UnknownAction } from '@reduxjs/toolkit';

/** Something that was done and can be undone, said for a while. */
export interface Notice {
  readonly text: string;
}

/** Which way one would go, where what comes next was done on another page. */
export type Way = 'back' | 'forward';

interface DeskState {
  /** The class worked at last: what is shown “on the open class” elsewhere is shown on it. */
  readonly lastClass: string | null;
  readonly notice: Notice | null;
  /** Asked before something is undone or redone that is nowhere on this page. */
  readonly asked: Way | null;
}

export const classOpened = createAction<string>('desk/classOpened');
export const noticed = createAction<Notice | null>('desk/noticed');

export const askedElsewhere = createAction<Way | null>('desk/askedElsewhere');

const EMPTY: DeskState = { lastClass: null, notice: null, asked: null };

export function deskReducer(state: DeskState = EMPTY, action: UnknownAction): DeskState {
  if (classOpened.match(action)) return { ...state, lastClass: action.payload };
  if (noticed.match(action)) return { ...state, notice: action.payload };
  if (askedElsewhere.match(action)) return { ...state, asked: action.payload };
  return state;
}
