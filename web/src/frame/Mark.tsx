/** Our mark: a vine through a trellis. */
export function Mark({ size = 22, onDark = false }: { size?: number; onDark?: boolean }) {
  const iron = onDark ? "#E9E6DF" : "var(--mui-palette-iron)";
  return (
    <svg width={size} height={size} viewBox="0 0 24 24" aria-hidden="true" fill="none" strokeLinecap="round">
      <path d="M5 3v18M12 3v18M19 3v18M3 8h18M3 16h18" stroke={iron} strokeWidth="1.7" />
      <path d="M3 21c5-1 4-7 9-9s4-7 9-9" stroke="#86A873" strokeWidth="2.6" />
    </svg>
  );
}
