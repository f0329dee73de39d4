{{-- Stands under “Finish”. --}}
