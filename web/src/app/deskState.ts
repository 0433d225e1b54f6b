import { createAction, type UnknownAction } from '@reduxjs/toolkit';

/** Something that was done and can be undone, said for a while. */
export interface Notice {
  readonly text: string;
}

interface DeskState {
  /** The class worked at last: what is shown “on the open class” elsewhere is shown on it. */
  readonly lastClass: string | null;
  readonly notice: Notice | null;
}

export const classOpened = createAction<string>('desk/classOpened');
export const noticed = createAction<Notice | null>('desk/noticed');

const EMPTY: DeskState = { lastClass: null, notice: null };

export function deskReducer(state: DeskState = EMPTY, action: UnknownAction): DeskState {
  if (classOpened.match(action)) return { ...state, lastClass: action.payload };
  if (noticed.match(action)) return { ...state, notice: action.payload };
  return state;
}
