import { useEffectEvent, useLayoutEffect } from 'react';

type Keys = Record<string, (event: KeyboardEvent) => void>;

/** The name of a stroke: "n", "Ctrl+s", "Alt+ArrowUp". */
function nameOf(event: KeyboardEvent): string {
  const ctrl = event.ctrlKey || event.metaKey ? 'Ctrl+' : '';
  const alt = event.altKey ? 'Alt+' : '';
  return ctrl + alt + event.key;
}

const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));

/** Listens for keys while the component is there. Plain letters do nothing while somebody types or a dialog is open. */
export function useKeys(keys: Keys) {
  const onKey = useEffectEvent((event: KeyboardEvent) => {
    const name = nameOf(event);
    const action = keys[name];
    if (!action || event.defaultPrevented) return;
    if (document.querySelector('[role="dialog"]')) return;
    if (!name.includes('+') && isTyping(event.target)) return;
    // Enter on a button or a link is that button's or link's own.
    if (name === 'Enter' && event.target instanceof HTMLElement && event.target.matches('a, button')) return;
    event.preventDefault();
    action(event);
  });
  // Before the screen is drawn: a key pressed as soon as the screen is seen is not lost.
  useLayoutEffect(() => {
    const listener = (event: KeyboardEvent) => onKey(event);
    window.addEventListener('keydown', listener);
    return () => window.removeEventListener('keydown', listener);
  }, []);
}
