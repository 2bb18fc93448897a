/** Prints one part of a page, and nothing of what stands around it. */
export function printAlone(part: HTMLElement) {
  document.body.classList.add('prints-a-part');
  part.classList.add('printed-part');
  window.addEventListener(
    'afterprint',
    () => {
      document.body.classList.remove('prints-a-part');
      part.classList.remove('printed-part');
    },
    { once: true },
  );
  window.print();
}
