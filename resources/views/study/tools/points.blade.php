{{-- Stands under “Style”. --}}
