// The mark of Walnut Leaf: a leaf with its rib.
export function LeafMark({ size = 20 }: { size?: number }) {
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 24 24"
      fill="none"
      stroke="currentColor"
      strokeWidth="1.6"
      strokeLinecap="round"
      aria-hidden="true"
    >
      <path d="M3.5 20.5C4 11 9.500 3.800 20.500 3.500C21 13 15 19.500 6.500 17.500" />
      <path d="M3.500 20.500C7 15 10.500 11.500 15.500 8.500M9 14.200L8.800 10.600M11.800 11.300L15.600 12" />
    </svg>
  );
}
