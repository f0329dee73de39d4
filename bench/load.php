<?php

declare(strict_types=1);

/*
 * Load on a server that runs: edits by one and by many clients at a time, and pairs of edits of one study at once.
 *   php bench/load.php http://127.0.0.1:8080 [study] [pairs] [edits] [seconds each client waits between two edits]
 * Clients that do not wait fill every processor: with more of them than processors, each waits for the others.
 */

$base = rtrim($argv[1] ?? 'http://127.0.0.1:8080', '/');
$study = (int) ($argv[2] ?? 1);
$pairs = (int) ($argv[3] ?? 200);
$count = (int) ($argv[4] ?? 160);
$pause = (float) ($argv[5] ?? 0.0);
$jar = tempnam(sys_get_temp_dir(), 'rail') ?: '/tmp/rail';

function request(string $url, ?string $body, string $jar, string $token): CurlHandle
{
    $curl = curl_init($url);
    curl_setopt_array($curl, [
        CURLOPT_RETURNTRANSFER => true,
        CURLOPT_COOKIEFILE => $jar,
        CURLOPT_HTTPHEADER => ["X-CSRF-TOKEN: {$token}", 'HX-Request: true'],
        CURLOPT_TIMEOUT => 60,
    ]);
    if ($body !== null) {
        curl_setopt($curl, CURLOPT_POSTFIELDS, $body);
    }

    return $curl;
}

/**
 * @param list<CurlHandle> $requests
 * @param float $pause seconds that each client waits between two of its requests, half to one and a half times
 * @return list<array{int, float, string}> status, seconds and text of each, so many at a time
 */
function sent(array $requests, int $atOnce, float $pause = 0.0): array
{
    $multi = curl_multi_init();
    $answers = [];
    $next = $running = 0;
    $ready = array_map(
        static fn(): float => microtime(true) + ($pause * mt_rand()) / mt_getrandmax(),
        range(1, $atOnce),
    );
    do {
        sort($ready);
        while ($ready !== [] && $ready[0] <= microtime(true) && $next < count($requests)) {
            array_shift($ready);
            curl_multi_add_handle($multi, $requests[$next++]);
            $running++;
        }
        curl_multi_exec($multi, $active);
        if (curl_multi_select($multi, 0.005) < 1) {
            usleep(1_000);
        }
        while (($done = curl_multi_info_read($multi)) !== false && $done['handle'] instanceof CurlHandle) {
            $curl = $done['handle'];
            $answers[] = [
                (int) curl_getinfo($curl, CURLINFO_RESPONSE_CODE),
                (float) curl_getinfo($curl, CURLINFO_TOTAL_TIME),
                (string) curl_multi_getcontent($curl),
            ];
            curl_multi_remove_handle($multi, $curl);
            $running--;
            $ready[] = microtime(true) + $pause * (0.5 + mt_rand() / mt_getrandmax());
        }
    } while ($running > 0 || $next < count($requests));

    return $answers;
}

$first = curl_init("{$base}/studies/{$study}");
curl_setopt_array($first, [CURLOPT_RETURNTRANSFER => true, CURLOPT_COOKIEJAR => $jar]);
$page = (string) curl_exec($first);
preg_match('/X-CSRF-TOKEN": "([^"]+)"/', $page, $m);
$token = $m[1] ?? '';
unset($first);
$edit = static fn(string $body): CurlHandle => request("{$base}/studies/{$study}/changes", $body, $jar, $token);
$one = 0.0;
foreach ([1, 4, 16] as $clients) {
    $edits = array_map(
        static fn(int $i): CurlHandle => $edit('change=words&part=subtitle&text=' . bin2hex(random_bytes(4)) . $i),
        range(1, $count),
    );
    $began = microtime(true);
    $answers = sent($edits, $clients, $pause);
    $took = microtime(true) - $began;
    $times = array_column($answers, 1);
    sort($times);
    $failed = count(array_filter($answers, static fn(array $a): bool => $a[0] !== 200));
    $p95 = $times[(int) (0.95 * count($times))];
    $one = $clients === 1 ? $p95 : $one;
    printf(
        "%2d clients: %5.1f edits a second, p50 %4.0f ms, p95 %4.0f ms (%.1f times one client's), %d not made\n",
        ...[
            $clients,
            count($answers) / $took,
            1000 * $times[intdiv(count($times), 2)],
            1000 * $p95,
            $p95 / $one,
            $failed,
        ],
    );
}
$lost = $refused = 0;
for ($i = 0; $i < $pairs; $i++) {
    $answers = sent([$edit("change=rename&name=Pair%20{$i}"), $edit("change=words&part=headline&text=Pair%20{$i}")], 2);
    $refused += count(array_filter($answers, static fn(array $a): bool => $a[0] !== 200));
    $now = sent([request("{$base}/studies/{$study}", null, $jar, $token)], 1)[0][2];
    $lost += str_contains($now, "value=\"Pair {$i}\"") && substr_count($now, "Pair {$i}") > 1 ? 0 : 1;
}
printf("%d pairs of edits at once: %d lost, %d answered with a sentence instead\n", $pairs, $lost, $refused);
unlink($jar);
