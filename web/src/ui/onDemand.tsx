import { lazy, Suspense, type ComponentType } from 'react';

/** A part of a screen, such as a dialog, that is fetched when it is first shown. Until it is there its place is empty. */
export function onDemand<P extends object>(fetched: () => Promise<ComponentType<P>>): ComponentType<P> {
  const Fetched = lazy(async () => ({ default: await fetched() }));
  return function OnDemand(props: P) {
    return (
      <Suspense>
        <Fetched {...props} />
      </Suspense>
    );
  };
}
