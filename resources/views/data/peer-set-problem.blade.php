<p class="said wrong">{{ $problem }}</p>
