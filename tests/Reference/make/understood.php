<?php

declare(strict_types=1);
use Tests\Core\UnderstandingTest;

// The texts of the tables in tests/Core/UnderstandingTest.php, for understood.py.

require dirname(__DIR__, 3) . '/vendor/autoload.php';

$texts = [];
foreach (UnderstandingTest::tables() as $name => [$text]) {
    $texts[$name] = mb_check_encoding($text, 'UTF-8') ? $text : mb_convert_encoding($text, 'UTF-8', 'Windows-1252');
}
echo json_encode($texts, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE);
