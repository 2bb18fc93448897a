import { answer, api, changesVersion, Problem, type Schemas } from '../../api/client';

/** What is said of a competition afterwards. */
export interface DebriefText {
  held: Schemas['Area'][];
  didNotHold: Schemas['Area'][];
  debrief: string;
}

/** Somebody else said something of it in the meantime. */
export class OthersWrote extends Error {
  constructor(readonly theirs: DebriefText) {
    super('Somebody else wrote about it in the meantime.');
  }
}

export const debriefOf = ({ held, didNotHold, debrief }: Schemas['Competition']): DebriefText => ({
  held: held ?? [],
  didNotHold: didNotHold ?? [],
  debrief: debrief ?? '',
});

export const isSameDebrief = (one: DebriefText, other: DebriefText) => JSON.stringify(one) === JSON.stringify(other);

/** A file with what is said of one of its competitions, and everything else as it is. */
export const withDebrief = (file: Schemas['StudentFile'], id: string, said: DebriefText): Schemas['StudentFile'] => ({
  ...file,
  own: {
    ...file.own,
    competitions: (file.own?.competitions ?? []).map((c) => (c.id === id ? { ...c, ...said } : c)),
  },
});

/** How often a file that changes under one's hands is tried anew. */
const mostTries = 3;

/**
 * Writes what is said of a competition into the file as it stands now, whatever else changed there meanwhile. Where somebody else
 * said something of it since, that is thrown, unless it is to be written over.
 */
export async function saveDebrief(
  studentId: string,
  competition: Schemas['Competition'],
  said: DebriefText,
  over: boolean,
): Promise<Schemas['StudentFileView']> {
  const path = { params: { path: { id: studentId } } };
  let view = await answer(api.GET('/api/students/{id}/file', path));
  for (let tries = 1; ; tries++) {
    const there = (view.file.own?.competitions ?? []).find((c) => c.id === competition.id);
    if (!there) throw new Error('This competition does not stand in the file any more.');
    const theirs = debriefOf(there);
    if (!over && !isSameDebrief(theirs, debriefOf(competition)) && !isSameDebrief(theirs, said))
      throw new OthersWrote(theirs);
    try {
      return await answer(
        api.PUT('/api/students/{id}/file', {
          ...path,
          body: withDebrief(view.file, competition.id, said),
          headers: changesVersion(view.version),
        }),
      );
    } catch (e) {
      if (!(e instanceof Problem && e.status === 412) || tries === mostTries) throw e;
      view = e.current as Schemas['StudentFileView'];
    }
  }
}
