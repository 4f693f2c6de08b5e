// What is wrong with a value that was typed on the drawing, below it.
export function ProblemNote({ problem }: { problem: string | null }) {
  if (problem === null) return null;
  return (
    <p
      role="alert"
      className="absolute left-1/2 top-full z-20 mt-1 w-56 -translate-x-1/2 rounded-sm border border-error bg-base-100 px-2 py-1 text-[12px] text-error"
    >
      {problem}
    </p>
  );
}
