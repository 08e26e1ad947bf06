'use client';

import dynamic from 'next/dynamic';

/** What a car of practice answers: it is loaded where there is one, and by no page of the shop. */
export const AnswersLater = dynamic(
  () => import('./CarAnswers').then(({ CarAnswers }) => CarAnswers),
  { loading: () => null },
);
