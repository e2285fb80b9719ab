import type { Dispatch, UnknownAction } from '@reduxjs/toolkit';
import { sendPictures } from '../server/pictures.js';
import { noticed } from './noticeSlice.js';

/** Sends the pictures that wait in this browser, before whatever shows them; false while the server is away. What it does not take is told. */
export const picturesGone = async (dispatch: Dispatch<UnknownAction>): Promise<boolean> => {
  const { away, refused } = await sendPictures();
  const [why] = refused;
  if (why !== undefined)
    dispatch(noticed(`A photograph was not kept. ${why} Take it again.`, { tone: 'problem' }));
  return !away;
};
