import { computed } from 'vue'
import { useShop } from '../shell/shop'
import { figure, length, volume, type LengthUnit, type VolumeUnit } from './format'

/** Volumes and lengths in the units that this shop reads, wherever they stand. */
export function useUnits() {
  const { settings } = useShop()
  const unit = computed(() => (settings.value?.volumeUnit ?? 'mL') as VolumeUnit)
  const lengths = computed(() => (settings.value?.lengthUnit ?? 'mm') as LengthUnit)
  return {
    unit,
    lengths,
    /** “57 mL” */
    shownVolume: (mL: number) => volume(mL, unit.value),
    /** “65 of 110 mL” */
    volumeOf: (held: number, whole: number) => `${figure(held, unit.value)} of ${volume(whole, unit.value)}`,
    /** “12 mm” */
    shownLength: (mm: number) => length(mm, lengths.value),
  }
}
