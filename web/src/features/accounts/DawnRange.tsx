/** A practice ground in early light, with the session strip as its hedges. Decoration. */
export function DawnRange() {
  return (
    <svg
      viewBox="0 0 640 360"
      width="100%"
      aria-hidden
      preserveAspectRatio="xMidYMax slice"
      style={{ display: 'block' }}
    >
      <defs>
        <linearGradient id="dawn" x1="0" y1="0" x2="0" y2="1">
          <stop offset="0" stopColor="#f6f1e6" />
          <stop offset="1" stopColor="#f6d3a6" />
        </linearGradient>
      </defs>
      <rect width="640" height="360" fill="url(#dawn)" />
      <circle cx="468" cy="236" r="56" fill="#e08a42" />
      <path d="M0 236h640v124H0z" fill="#dfe3c8" />
      <path d="M0 236c90-10 180-6 260 0s250 4 380-4v12H0z" fill="#9fb38d" />
      <path d="M0 262c150-8 320 6 640-6" stroke="#8fb0b4" strokeWidth="5" fill="none" opacity=".7" />
      <g stroke="#1e3b30" strokeWidth="1.5">
        {[
          ['warmUp', 40, 60, 20],
          ['warmUp', 102, 92, 74],
          ['block', 196, 128, 56],
          ['random', 346, 104, 46],
          ['onCourse', 452, 148, 40],
        ].map(([phase, x, width, height]) => (
          <rect
            key={x}
            x={x}
            y={330 - Number(height)}
            width={width}
            height={height}
            rx="4"
            fill={`url(#phase-${phase ?? ''})`}
          />
        ))}
        <path d="M24 330h592" strokeWidth="2.5" />
      </g>
    </svg>
  );
}
