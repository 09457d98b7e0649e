/** A frequency moved by hand, over the ten octaves that are heard. */
import { Slider } from 'radix-ui';
import { hzOfStep, MOST_STEP, stepOfHz } from './frequencySteps';

type FrequencySliderProps = {
  readonly label: string;
  readonly hz: number;
  readonly onChange: (hz: number) => void;
};

export function FrequencySlider({ label, hz, onChange }: FrequencySliderProps) {
  const move = ([step]: number[]) => {
    if (step !== undefined && step !== stepOfHz(hz)) onChange(hzOfStep(step));
  };
  return (
    <Slider.Root
      min={0}
      max={MOST_STEP}
      value={[stepOfHz(hz)]}
      onValueChange={move}
      className="relative flex h-12 w-full touch-none items-center"
    >
      <Slider.Track className="relative h-1 w-full bg-hairline" />
      <Slider.Thumb
        aria-label={label}
        aria-valuetext={`${hz.toLocaleString('en')} Hz`}
        className="block h-8 w-8 rounded-full border-[3px] border-action bg-paper"
      />
    </Slider.Root>
  );
}
