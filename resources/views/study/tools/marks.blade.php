<x-marks :screen="$screen" />
