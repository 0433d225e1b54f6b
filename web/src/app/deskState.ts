import { createAction, type UnknownAction } from '@reduxjs/toolkit';

interface DeskState {
  /** The class worked at last: what is shown “on the open class” elsewhere is shown on it. */
  readonly lastClass: string | null;
}

export const classOpened = createAction<string>('desk/classOpened');

export const deskReducer = (state: DeskState = { lastClass: null }, action: UnknownAction): DeskState =>
  classOpened.match(action) ? { lastClass: action.payload } : state;
