<div id="message" role="alert" @class(['shown' => ($message ?? '') !== ''])>{{ $message ?? '' }}</div>
