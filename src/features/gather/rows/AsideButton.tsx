import { CalendarPlus } from 'lucide-react';

/** What a row that was moved aside shows at its end: one more press does what moving it further does. */
export function AsideButton({ of, onPress }: { of: string; onPress: () => void }) {
  return (
    <button
      type="button"
      aria-label={`To tomorrow: ${of}`}
      className="no-print absolute inset-y-0 end-0 flex w-28 flex-col items-center justify-center rounded-md bg-primary text-[0.86rem] font-semibold text-on-primary"
      onClick={onPress}
    >
      <CalendarPlus size={17} aria-hidden="true" />
      To tomorrow
    </button>
  );
}
