const hedges = [
  ['warmUp', 30, 66, 34],
  ['warmUp', 100, 96, 112],
  ['block', 200, 150, 92],
  ['random', 372, 108, 70],
  ['onCourse', 484, 126, 58],
] as const;

/** A practice ground in early light, with the session strip as its hedges. Decoration. */
export function DawnRange() {
  return (
    <svg
      viewBox="0 0 640 800"
      aria-hidden
      preserveAspectRatio="xMidYMax slice"
      style={{ display: 'block', width: '100%', height: '100%' }}
    >
      <defs>
        <linearGradient id="dawn" x1="0" y1="0" x2="0" y2="1">
          <stop offset="0" stopColor="#f6f1e6" />
          <stop offset="1" stopColor="#f6cf9f" />
        </linearGradient>
      </defs>
      <rect width="640" height="800" fill="url(#dawn)" />
      <circle cx="440" cy="500" r="92" fill="#e08a42" />
      <path d="M0 508c120-16 250-10 370-2s180 2 270-8v60H0z" fill="#8fa87e" />
      <path d="M0 532h640v268H0z" fill="#dfe3c8" />
      <path d="M0 556c150-12 330 10 640-10" stroke="#8fb4b8" strokeWidth="9" fill="none" opacity=".75" />
      <path d="M520 532v-70" stroke="#1e3b30" strokeWidth="3" />
      <path d="m520 462 34 11-34 11z" fill="#1e3b30" />
      <g stroke="#1e3b30" strokeWidth="2">
        {hedges.map(([phase, x, width, height]) => (
          <rect key={x} x={x} y={720 - height} width={width} height={height} rx="5" fill={`url(#phase-${phase})`} />
        ))}
        <path d="M16 720h608" strokeWidth="3" strokeLinecap="round" />
      </g>
    </svg>
  );
}
